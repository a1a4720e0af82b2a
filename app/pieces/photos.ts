import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { MatButton } from '@angular/material/button';
import { format } from 'date-fns';
import { formatNumber, type PhotoId } from '../../core/index';
import { Dialogs } from './dialogs';
import { photoAddresses } from './photo-addresses';

/** A photo to show, and of what it is. */
export interface PhotoOf {
  readonly id: PhotoId;
  readonly code: string;
  /** How far it had run, where that was noted with it. */
  readonly fraction?: number;
}

/** Photos with the code and day of each, one after the other in time; a press shows one large, and others beside it. */
@Component({
  selector: 'nw-photos',
  imports: [MatButton],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @for (photo of shown(); track photo.id) {
      <button
        type="button"
        matButton="tonal"
        [attr.aria-label]="'Photo of ' + photo.words + ', larger'"
        (click)="enlarge(photo.id)"
      >
        <img [src]="photo.address" alt="" />
        <span class="small">{{ photo.words }}</span>
      </button>
    }
  `,
  styles: `
    :host {
      display: flex;
      flex-wrap: wrap;
      gap: 10px;
    }
    :host:empty {
      display: none;
    }
    button {
      padding: 4px 4px 6px;
      line-height: 1.3;
      font-weight: 400;
    }
    img {
      display: block;
      width: clamp(120px, 36vw, 148px);
      aspect-ratio: 10 / 7;
      margin-bottom: 4px;
      object-fit: cover;
      border-radius: var(--plaque-corner);
    }
  `,
})
export class Photos {
  readonly photos = input.required<readonly PhotoOf[]>();

  private readonly dialogs = inject(Dialogs);
  /** Only other photos are read anew, not every change of the house. */
  private readonly ids = computed(() => this.photos().map((p) => p.id), {
    equal: (a, b) => a.length === b.length && a.every((id, i) => id === b[i]),
  });
  private readonly addresses = photoAddresses(this.ids);
  protected readonly shown = computed(() => {
    const known = new Map(this.photos().map((p) => [p.id, p]));
    return this.addresses().map(({ id, address, takenAtMs }) => ({
      id,
      address,
      words: wordsOf(takenAtMs, known.get(id)),
    }));
  });

  protected async enlarge(id: PhotoId): Promise<void> {
    const all = this.shown().map((p) => ({ id: p.id, words: p.words }));
    await this.dialogs.open(() => import('./photo-dialog').then((m) => m.PhotoDialog), { data: { id, all } });
  }
}

function wordsOf(takenAtMs: number, photo: PhotoOf | undefined): string {
  const level = photo?.fraction === undefined ? '' : `${formatNumber(photo.fraction * 100)} %`;
  return [photo?.code, format(takenAtMs, 'd MMM yyyy'), level].filter(Boolean).join(', ');
}
