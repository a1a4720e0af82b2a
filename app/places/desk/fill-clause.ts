import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import {
  leadWords,
  amountOf,
  innerRadiusMm,
  pourDepthMm,
  pourVolumeMl,
  type AskedAmount,
} from '../../../core/index';
import { BlankChoice, BlankNumber } from '../../pieces/blank';
import { DeskPlan } from './desk-plan';

/** What is hardly ever meant otherwise than by a word. */
const SHARES = [
  { value: 0.5, words: 'half' },
  { value: 0.6, words: 'three fifths' },
  { value: 2 / 3, words: 'two thirds' },
  { value: 0.75, words: 'three quarters' },
  { value: 0.9, words: 'to the shoulder' },
] as const;
const SAME_SHARE = 0.005;
const ANY_SHARE = 'share';
/** No vessel of a kitchen is deeper than a meter. */
const MOST_DEPTH_MM = 1000;

/** "filled two thirds,": how full vessels are, or by what else it is asked how much goes into them. */
@Component({
  selector: 'nw-fill-clause',
  imports: [BlankChoice, BlankNumber],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `filled
    <span class="nowrap"
      ><nw-blank-choice
        name="Fill"
        [options]="options()"
        [value]="value()"
        (valueChange)="choose($event)"
      />{{ isWordAlone() ? ',' : '' }}</span
    >
    @if (value() === anyShare) {
      <span class="nowrap"
        ><nw-blank-number
          name="Share of the vessel"
          unit="%"
          [times]="100"
          [value]="plan.fill() ?? 0"
          (valueChange)="plan.change({ fill: $event })"
          (problemChange)="plan.note('fill', $event)"
        />,</span
      >
      @if (depthMm(); as depth) {
        about
        <span class="nowrap"
          ><nw-blank-number
            name="Depth"
            unit="mm"
            [decimals]="0"
            [value]="depth"
            (valueChange)="setDepth($event)"
            (problemChange)="plan.note('depth', $event)"
          />
          deep,</span
        >
      }
    } @else if (massG() !== undefined) {
      <span class="nowrap"
        ><nw-blank-number
          [name]="massName()"
          unit="g"
          [decimals]="decimalsFor(massG()!)"
          [value]="massG()!"
          (valueChange)="setMass($event)"
          (problemChange)="plan.note('fill', $event)"
        />,</span
      >
    }`,
})
export class FillClause {
  protected readonly plan = inject(DeskPlan);
  protected readonly anyShare = ANY_SHARE;
  protected readonly decimalsFor = decimalsFor;
  /** *To* was chosen while the share is one that has a word. */
  private readonly isExact = signal(false);

  private readonly vessel = computed(() => this.plan.vessel());
  private readonly isByMass = computed(() => this.vessel()?.finishedG !== undefined);

  protected readonly options = computed(() => {
    const [shown, limit] = [this.plan.shown(), this.plan.fillLimit()];
    const parts = shown?.formula.parts ?? [];
    const lead = parts[0];
    return [
      ...(this.isByMass()
        ? []
        : [
            ...SHARES.filter((f) => f.value <= limit + 1e-9).map((f) => ({
              value: String(f.value),
              words: f.words,
            })),
            { value: ANY_SHARE, words: 'to' },
          ]),
      ...(lead === undefined
        ? []
        : [{ value: 'leadEach', words: `with ${leadWords(lead.material.name)} in each:` }]),
      { value: 'wetEach', words: 'to a mass each of' },
      ...parts.map(({ material }) => ({
        value: `partTotal ${material.id}`,
        words: `from ${leadWords(material.name)} in all:`,
      })),
      { value: 'wetTotal', words: 'to a mass in all of' },
    ];
  });

  protected readonly value = computed(() => {
    const amount = this.plan.amount();
    if (amount !== undefined) {
      return amount.by === 'partTotal' ? `partTotal ${amount.materialId}` : amount.by;
    }
    if (this.isByMass()) {
      return 'wetEach';
    }
    const share = SHARES.find((f) => Math.abs(f.value - (this.plan.fill() ?? 0)) < SAME_SHARE);
    return share === undefined || this.isExact() ? ANY_SHARE : String(share.value);
  });

  protected readonly isWordAlone = computed(() => this.value() !== ANY_SHARE && this.massG() === undefined);

  /** What is asked for by mass; as the bag is filled as usual where nothing is. */
  protected readonly massG = computed(() =>
    this.plan.amount() === undefined ? this.vessel()?.finishedG : this.plan.amount()?.massG,
  );
  protected readonly massName = computed(
    () =>
      this.options()
        .find((o) => o.value === this.value())
        ?.words.replace(/:$/, '') ?? 'Mass',
  );

  /** Of a jar: as measured, or as such jars are. */
  private readonly diameterMm = computed(() => {
    const vessel = this.vessel();
    return vessel?.kind === 'jar' ? 2 * innerRadiusMm(vessel) : vessel?.diameterMm;
  });

  /** The volume over the floor of a round vessel. */
  protected readonly depthMm = computed(() => {
    const [diameterMm, { capacityMl = 0 } = {}, fill] = [this.diameterMm(), this.vessel(), this.plan.fill()];
    return diameterMm === undefined || fill === undefined
      ? undefined
      : pourDepthMm(capacityMl * fill, diameterMm);
  });

  /** Another way of asking begins with what is planned now, so that it changes nothing yet. */
  protected choose(value: string): void {
    this.isExact.set(value === ANY_SHARE);
    const scaled = this.plan.shown()?.scaled;
    if (Number(value) > 0) {
      this.plan.change({ fill: Number(value) });
    } else if (scaled !== undefined && value === ANY_SHARE) {
      this.plan.change({ fill: rounded(scaled.fill, 2) });
    } else if (scaled !== undefined) {
      const [by, materialId] = value.split(' ') as [AskedAmount['by'], string?];
      const amount = amountOf(by, scaled, materialId);
      this.ask({ ...amount, massG: rounded(amount.massG, decimalsFor(amount.massG)) });
    }
  }

  protected setMass(massG: number): void {
    this.ask({ ...(this.plan.amount() ?? { by: 'wetEach' }), massG });
  }

  protected setDepth(depthMm: number): void {
    const [diameterMm, { capacityMl } = {}] = [this.diameterMm(), this.vessel()];
    if (diameterMm !== undefined && capacityMl !== undefined && depthMm > 0 && depthMm <= MOST_DEPTH_MM) {
      this.plan.change({ fill: pourVolumeMl(depthMm, diameterMm) / capacityMl });
    }
  }

  private ask(amount: AskedAmount): void {
    this.plan.change({ amount });
  }
}

/** Below a hundred grams a tenth of one is worth typing. Our choice. */
function decimalsFor(massG: number): number {
  return massG < 100 ? 1 : 0;
}

function rounded(value: number, decimals: number): number {
  return Number(value.toFixed(decimals));
}
