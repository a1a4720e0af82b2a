import {
  ChangeDetectionStrategy,
  Component,
  computed,
  effect,
  inject,
  input,
  untracked,
} from '@angular/core';
import * as z from 'zod';
import {
  capital,
  WALL_KINDS,
  formatNumber,
  heatNeed,
  unlessRefused,
  type HeatNeed,
  type WallKind,
} from '../../core/index';
import { HouseStore } from '../data/store/house-store';
import { WALL_WORDS } from '../data/words/look-words';
import { fieldText } from '../data/words/measure-words';
import { thermometerWords } from '../data/words/words';
import { formOf, rangeOf, typedNumber } from './form/checked-by';
import { ChoiceField, type Choice } from './form/choice-field';
import { valueOf } from './form/form-state';
import { TextField } from './form/text-field';

const USUAL_INSIDE_C = 24;
const USUAL_ROOM_C = 20;
/** Less is not worth a word. Our choice. */
const LEAST_TOLD_W = 0.5;
const side = (name: string) => typedNumber(rangeOf({ name, unit: 'mm', min: 50, max: 3000 }));

/** How strong a mat in a box, or a heater in the water between two totes, must be; told while it is typed. */
@Component({
  selector: 'nw-heater-size',
  imports: [ChoiceField, TextField],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <div class="three">
      <nw-text-field name="Length" unit="mm" keys="decimal" [longest]="6" [control]="form.controls.length" />
      <nw-text-field name="Width" unit="mm" keys="decimal" [longest]="6" [control]="form.controls.width" />
      <nw-text-field name="Height" unit="mm" keys="decimal" [longest]="6" [control]="form.controls.height" />
    </div>
    <nw-choice-field name="Walls" [options]="walls" [control]="form.controls.wall" />
    <div class="two">
      <nw-text-field
        name="Water between two totes (0: a mat)"
        unit="l"
        keys="decimal"
        [unitStays]="true"
        [longest]="6"
        [control]="form.controls.water"
      />
      <nw-text-field
        name="To be kept at"
        unit="°C"
        keys="decimal"
        [longest]="6"
        [control]="form.controls.inside"
      />
    </div>
    <p aria-live="polite">{{ words() }}</p>
    <p class="small soft">
      With a thermostat, a cut-out of its own against overheating and a residual-current switch. A heater in
      water stays under it; its cable hangs in a loop, so that drops fall before the socket. The maker's
      manual goes before this.
    </p>
  `,
  styles: `
    :host {
      display: grid;
      gap: 12px;
    }
    .three,
    .two {
      display: grid;
      grid-template-columns: repeat(auto-fit, minmax(128px, 1fr));
      gap: 10px;
      align-items: end;
    }
  `,
})
export class HeaterSize {
  /** What the place is kept at, °C. */
  readonly insideC = input<number>();

  /** What grows there now gives off so much itself, W. */
  readonly grownW = input(0);

  private readonly store = inject(HouseStore);
  private readonly schema = z.object({
    length: side('Length'),
    width: side('Width'),
    height: side('Height'),
    wall: z.enum(WALL_KINDS),
    water: typedNumber(rangeOf({ name: 'Water', unit: 'l', min: 0, max: 500, unitStays: true })),
    inside: typedNumber(rangeOf({ name: 'To be kept at', unit: '°C', min: 5, max: 45 })),
  });
  protected readonly form = formOf(this.schema, {
    length: fieldText(600, 'mm'),
    width: fieldText(400, 'mm'),
    height: fieldText(350, 'mm'),
    wall: 'tote',
    water: '0',
    inside: fieldText(USUAL_INSIDE_C, '°C'),
  });
  protected readonly walls: readonly Choice<WallKind>[] = WALL_KINDS.map((wall) => ({
    value: wall,
    words: capital(WALL_WORDS[wall]),
  }));
  private readonly typed = valueOf(this.form);
  private readonly roomC = computed(() => this.store.house()?.household?.roomC ?? USUAL_ROOM_C);
  private readonly need = computed((): HeatNeed | undefined => {
    const read = this.schema.safeParse(this.typed());
    if (!read.success) {
      return undefined;
    }
    const { length, width, height, wall, water, inside } = read.data;
    return unlessRefused(
      () =>
        heatNeed({
          lengthMm: length,
          widthMm: width,
          heightMm: height,
          wall,
          waterL: water,
          insideC: inside,
          roomC: this.roomC(),
        }),
      undefined,
    );
  });
  protected readonly words = computed(() => {
    const [need, room] = [this.need(), thermometerWords(this.roomC())];
    if (need === undefined) {
      return '';
    }
    const { lossW, heaterW, warmUpHours } = need;
    if (lossW === 0) {
      return `The room's ${room} is warm enough.`;
    }
    const first = `Loses about ${formatNumber(lossW)} W in a room of ${room}.`;
    if (heaterW === undefined) {
      return `${first} No mat keeps that warm: warm the room, or line the walls.`;
    }
    const slow =
      warmUpHours > 0 ? ` Its water is warm after about ${formatNumber(Math.max(1, warmUpHours))} h.` : '';
    return `${first} A heater of ${heaterW} W keeps it so, with half as much again to spare.${slow}${this.ownWords()}`;
  });

  /** It may not be counted on: it is gone when all has run. */
  private ownWords(): string {
    const grownW = this.grownW();
    return grownW < LEAST_TOLD_W
      ? ''
      : ` What grows there now gives ${formatNumber(grownW, grownW < 10 ? 1 : 0)} W itself, while it grows.`;
  }

  constructor() {
    effect(() => {
      const insideC = this.insideC();
      untracked(() => {
        this.form.controls.inside.setValue(fieldText(insideC ?? USUAL_INSIDE_C, '°C'));
      });
    });
  }
}
