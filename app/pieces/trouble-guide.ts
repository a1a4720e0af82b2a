import {
  ChangeDetectionStrategy,
  Component,
  ElementRef,
  computed,
  input,
  output,
  signal,
  viewChild,
} from '@angular/core';
import { MatButton } from '@angular/material/button';
import {
  SEEN_COLORS,
  SEEN_SMELLS,
  SEEN_TEXTURES,
  isHarmless,
  rankCandidates,
  type Contaminant,
  type Seen,
  type SeenColor,
  type SeenSmell,
  type SeenTexture,
} from '../../core/index';
import { COLOR_WORDS, GUIDE_WORDS, SMELL_WORDS, TEXTURE_WORDS } from '../data/words/guide-words';
import { CONTAMINANT_WORDS } from '../data/words/words';
import { LookDrawing } from './look-drawing';
import { Chips, choicesOf } from './form/chips';

/** What is told of: the likeliest, and nothing that is hardly so. */
const MOST_TOLD = 3;
const LEAST_SHARE = 0.08;
const LIKELY = 0.6;
const MAY_BE = 0.25;

/** What it could be, from what is seen: ranked, with what else looks so and how fast to act. */
@Component({
  selector: 'nw-trouble-guide',
  imports: [Chips, LookDrawing, MatButton],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <p>What do you see?</p>
    <nw-chips name="Color" [options]="colors" [value]="color()" (chosen)="color.set($event)" />
    @if (told()[0]; as first) {
      <button type="button" matButton="elevated" class="deed answer" (click)="toAnswer()">
        {{ first.name }}, {{ first.how }}: read on
      </button>
    }
    <nw-chips name="Texture" [options]="textures" [value]="texture()" (chosen)="texture.set($event)" />
    <p class="small">
      Smell only at the filter of one that looks sound, never a dusty one; not at all with asthma.
    </p>
    <nw-chips name="Smell at the filter" [options]="smells" [value]="smell()" (chosen)="smell.set($event)" />
    <ol #answer aria-live="polite">
      @for (one of told(); track one.candidate) {
        <li [class.harmless]="one.kind === undefined">
          <nw-look-drawing [of]="one.candidate" />
          <strong>{{ one.name }}</strong> <span class="soft">{{ one.how }}</span> <span>{{ one.looks }}</span>
          <span>{{ one.act }}</span>
          @if (one.kind; as kind) {
            <button type="button" matButton="outlined" class="deed trouble" (click)="suspected.emit(kind)">
              Suspect {{ one.word }}
            </button>
          }
        </li>
      }
    </ol>
  `,
  styles: `
    :host,
    ol,
    li {
      display: grid;
      gap: 10px;
    }
    li {
      gap: 4px;
      padding-top: 8px;
      border-top: 1px solid var(--line);
    }
    ol {
      padding: 0;
      list-style: none;
    }
    .answer {
      display: none;
    }
    /* On a phone the answer lies below what is asked: its first line stands where the color is chosen. */
    @media (max-width: 820px) {
      .answer {
        display: block;
      }
    }
    .harmless strong {
      color: var(--done);
    }
  `,
})
export class TroubleGuide {
  /** Where it was seen, how wet it is and how old, as far as that was said already. */
  readonly around = input<Pick<Seen, 'at' | 'wetness' | 'day'>>({});
  readonly suspected = output<Contaminant>();

  protected readonly colors = choicesOf(SEEN_COLORS, COLOR_WORDS);
  protected readonly textures = choicesOf(SEEN_TEXTURES, TEXTURE_WORDS);
  protected readonly smells = choicesOf(SEEN_SMELLS, SMELL_WORDS);
  protected readonly color = signal<SeenColor | undefined>(undefined);
  protected readonly texture = signal<SeenTexture | undefined>(undefined);
  protected readonly smell = signal<SeenSmell | undefined>(undefined);

  private readonly answer = viewChild<ElementRef<HTMLElement>>('answer');

  protected toAnswer(): void {
    this.answer()?.nativeElement.scrollIntoView({ block: 'start' });
  }

  protected readonly told = computed(() => {
    const looks = { color: this.color(), texture: this.texture(), smell: this.smell() };
    if (Object.values(looks).every((value) => value === undefined)) {
      return [];
    }
    return rankCandidates({ ...this.around(), ...looks })
      .filter(({ share }, i) => i === 0 || (i < MOST_TOLD && share >= LEAST_SHARE))
      .map(({ candidate, share }) => ({
        candidate,
        ...GUIDE_WORDS[candidate],
        how: share >= LIKELY ? 'likely' : share >= MAY_BE ? 'may be' : 'less likely',
        ...(isHarmless(candidate)
          ? { kind: undefined, word: '' }
          : { kind: candidate, word: CONTAMINANT_WORDS[candidate].word }),
      }));
  });
}
