import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { MatButton } from '@angular/material/button';
import { format } from 'date-fns';
import { EMPTY_HOUSE, subjectOfPlace } from '../../core/index';
import { ClimateFeed } from '../data/devices/climate-feed';
import type { Feed } from '../data/devices/kept-feed';
import { HouseStore } from '../data/store/house-store';
import { WHICH_HOUSE } from '../data/store/which-house';
import { placeWords } from '../data/words/words';
import { Fold } from './fold';
import { ReadingsImport } from './readings-import';

/** What a logger says of a place: heard while a page is open, or brought in as a file. */
@Component({
  selector: 'nw-logger-fold',
  imports: [Fold, MatButton, ReadingsImport],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <nw-fold title="A logger here">
      @if (here(); as on) {
        <p>
          {{ on.kind === 'logger' ? 'A logger on this machine' : 'A pretended logger, for practice'
          }}{{ heard() }}. It is kept a minute at a time, while a page of Nailwort is open.
        </p>
        <button type="button" matButton="outlined" class="deed quiet" (click)="stop()">Stop listening</button>
      } @else {
        <p>
          A program on this machine that posts temperature, humidity, CO₂ or light to this address is heard,
          and kept as read here.
          @if (elsewhere(); as place) {
            One is heard already, as {{ place }}'s: that ends then.
          }
        </p>
        <button type="button" matButton="outlined" class="deed" (click)="listen('logger')">
          Listen to a logger
        </button>
        @if (madeUp) {
          <button type="button" matButton="outlined" class="deed quiet" (click)="listen('pretended')">
            A pretended one, for practice
          </button>
        }
      }
    </nw-fold>
    <nw-fold title="Bring in a logger's file">
      <nw-readings-import
        label="CSV of date and time, then temperature, humidity, CO₂ or light by its heading"
        [subject]="subject()"
      />
    </nw-fold>
  `,
  styles: `
    :host {
      display: grid;
      gap: 14px;
    }
  `,
})
export class LoggerFold {
  readonly placeId = input.required<string>();

  private readonly climateFeed = inject(ClimateFeed);
  private readonly store = inject(HouseStore);
  protected readonly madeUp = inject(WHICH_HOUSE).madeUp;
  protected readonly subject = computed(() => subjectOfPlace(this.placeId()));
  protected readonly here = computed(() => {
    const feed = this.climateFeed.feed();
    return feed?.placeId === this.placeId() ? feed : undefined;
  });
  protected readonly elsewhere = computed(() => {
    const feed = this.climateFeed.feed();
    return feed && placeWords(feed.placeId, this.store.house() ?? EMPTY_HOUSE);
  });
  protected readonly heard = computed(() => {
    const atMs = this.climateFeed.heardAtMs();
    return atMs === undefined ? ', not heard yet' : `, heard ${format(atMs, 'HH:mm')}`;
  });

  protected listen(kind: Feed['kind']): void {
    this.climateFeed.start({ kind, placeId: this.placeId() });
  }

  protected stop(): void {
    this.climateFeed.stop();
  }
}
