import { CdkListbox, CdkOption } from '@angular/cdk/listbox';
import { CdkConnectedOverlay, CdkOverlayOrigin } from '@angular/cdk/overlay';
import {
  ChangeDetectionStrategy,
  Component,
  ElementRef,
  computed,
  effect,
  input,
  model,
  output,
  signal,
  viewChild,
} from '@angular/core';
import type { TypedRule } from '../../core/index';
import { shownUnit } from '../data/words/measure-words';
import { messageOf } from '../data/words/message-of';
import { readWithin } from './form/checked-by';
import type { Choice } from './form/choice-field';

/** A word of a sentence that can be typed over: a number with its unit. What is no number is kept and explained. */
@Component({
  selector: 'nw-blank-number',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `<span class="blank" [class.wrong]="problem()"
    ><input
      #box
      [value]="text()"
      [attr.aria-label]="name()"
      [attr.aria-invalid]="problem() ? true : null"
      inputmode="decimal"
      autocomplete="off"
      maxlength="24"
      (input)="type(box.value)"
      (focus)="box.select()"
      (blur)="settle()"
    />
    @if (shownAs().sign) {
      <span class="of">{{ shownAs().sign }}</span>
    }
  </span>`,
  styleUrl: './blank.scss',
})
export class BlankNumber {
  readonly name = input.required<string>();
  readonly value = model.required<number>();
  readonly unit = input('');
  /** Read in its own unit everywhere: milliliters of a dish. */
  readonly unitStays = input(false);
  /** Where it usually lies: a bare number that would lie there in another unit alone is asked about. */
  readonly likely = input<TypedRule['likely']>();
  /** The shown number is the value times this: 100 for a fraction in per cent. */
  readonly times = input(1);
  readonly decimals = input(1);
  /** Words for the person when the text is no number; empty when it is one. */
  readonly problemChange = output<string>();

  protected readonly text = signal('');
  protected readonly problem = signal('');
  protected readonly shownAs = computed(() => shownUnit(this.unit(), this.unitStays()));
  private readonly shown = computed(() => {
    const { digitsMore, toShown } = this.shownAs();
    return String(Number(toShown(this.value() * this.times()).toFixed(this.decimals() + digitsMore)));
  });
  private typing = false;

  constructor() {
    effect(() => {
      const shown = this.shown();
      if (!this.typing) {
        this.text.set(shown);
      }
    });
  }

  protected type(text: string): void {
    this.typing = true;
    this.text.set(text);
    try {
      const value = readWithin(text, {
        field: { label: this.name() },
        min: -Infinity,
        max: Infinity,
        unit: this.unit(),
        unitStays: this.unitStays(),
        likely: this.likely(),
      });
      this.value.set(value / this.times());
      this.report('');
    } catch (error) {
      this.report(messageOf(error));
    }
  }

  protected settle(): void {
    this.typing = false;
    if (this.problem() === '') {
      this.text.set(this.shown());
    }
  }

  private report(problem: string): void {
    this.problem.set(problem);
    this.problemChange.emit(problem);
  }
}

/** A word of a sentence that is one of a few. It wraps with the sentence, as a select of Material's cannot. */
@Component({
  selector: 'nw-blank-choice',
  imports: [CdkConnectedOverlay, CdkListbox, CdkOption, CdkOverlayOrigin],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `<button
      #origin="cdkOverlayOrigin"
      #word
      cdkOverlayOrigin
      type="button"
      class="blank"
      role="combobox"
      aria-haspopup="listbox"
      [attr.aria-expanded]="isOpen()"
      [attr.aria-controls]="isOpen() ? id : null"
      [attr.aria-label]="name()"
      (click)="isOpen.set(true)"
      (keydown.arrowdown)="$event.preventDefault(); isOpen.set(true)"
      [textContent]="words()"
    ></button
    ><ng-template
      cdkConnectedOverlay
      cdkConnectedOverlayHasBackdrop
      cdkConnectedOverlayUsePopover="inline"
      cdkConnectedOverlayBackdropClass="cdk-overlay-transparent-backdrop"
      [cdkConnectedOverlayOrigin]="origin"
      [cdkConnectedOverlayOpen]="isOpen()"
      (backdropClick)="close()"
      (attach)="take()"
      ><ul
        #list
        class="choices"
        cdkListbox
        [tabindex]="0"
        [id]="id"
        [attr.aria-label]="name()"
        [cdkListboxValue]="[value()]"
        (cdkListboxValueChange)="choose($event.value)"
        (click)="close()"
        (keydown)="closingKeys.has($event.key) ? close() : null"
      >
        @for (option of options(); track option.value) {
          <li [cdkOption]="option.value" tabindex="-1" [textContent]="option.words"></li>
        }
        @if (more(); as words) {
          <li class="more" [cdkOption]="another" tabindex="-1" [textContent]="words"></li>
        }</ul
    ></ng-template>`,
  styleUrl: './blank.scss',
})
export class BlankChoice {
  private static made = 0;
  /** The list hears nothing when what is chosen already is taken once more: keys and presses close it by themselves. */
  protected readonly closingKeys: ReadonlySet<string> = new Set(['Escape', 'Tab', 'Enter', ' ']);

  readonly name = input.required<string>();
  readonly value = model.required<string>();
  readonly options = input.required<readonly Choice[]>();
  /** What stands below the choices where none of them may be the one; empty for nothing. */
  readonly more = input('');
  readonly moreAsked = output();

  /** No choice has it for a value. */
  protected readonly another = '\u0000another';
  protected readonly id = `nw-blank-${BlankChoice.made++}`;
  protected readonly isOpen = signal(false);
  protected readonly words = computed(
    () => this.options().find((o) => o.value === this.value())?.words ?? '…',
  );
  private readonly word = viewChild.required<string, ElementRef<HTMLElement>>('word', { read: ElementRef });
  private readonly list = viewChild('list', { read: CdkListbox });

  protected take(): void {
    setTimeout(() => this.list()?.focus());
  }

  /** A press on what is chosen already takes nothing away. */
  protected choose([value]: readonly unknown[]): void {
    this.close();
    if (value === this.another) {
      this.moreAsked.emit();
    } else if (typeof value === 'string') {
      this.value.set(value);
    }
  }

  protected close(): void {
    this.isOpen.set(false);
    this.word().nativeElement.focus();
  }
}
