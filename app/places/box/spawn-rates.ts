import { ChangeDetectionStrategy, Component, computed, input, output } from '@angular/core';
import {
  capital,
  SPAWN_PARTS,
  SPAWN_SHARES,
  MOST_ROOM_TO_MIX,
  SPAWN_VESSELS,
  formatNumber,
  percentWords,
  spawnOfParts,
  spawnOfShare,
  spawnOfVessels,
  spawnRate,
  unlessRefused,
  type Richness,
  type SpawnRate,
  type Spawning,
} from '../../../core/index';
import { amountWords } from '../../data/words/measure-words';
import { AskNumber } from '../../pieces/form/ask-number';
import { Chips } from '../../pieces/form/chips';
import { Fold } from '../../pieces/fold';

const RICHNESSES = ['lean', 'usual', 'rich'] as const satisfies readonly Richness[];

/** What a dose of spawn is called by mass, by volume and by jars, what it costs and how long it takes; and others to choose. */
@Component({
  selector: 'nw-spawn-rates',
  imports: [AskNumber, Chips, Fold],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @if (words()) {
      <p class="soft" aria-live="polite">{{ words() }}</p>
    }
    @if (tightWords()) {
      <p class="rye strong">{{ tightWords() }}</p>
    }
    <nw-fold title="Another rate: lean to rich, by jars or by volume">
      <nw-chips name="Rate" [options]="rates()" [value]="richness()" (chosen)="take($event)" />
      <nw-ask-number
        deed="Take it"
        [name]="jarName() + ' to each'"
        [min]="vesselRange.min"
        [max]="vesselRange.max"
        [keep]="byVessels"
      />
      <nw-ask-number
        deed="Take it"
        name="Parts of bulk to one of spawn, by volume"
        [min]="partRange.min"
        [max]="partRange.max"
        [keep]="byParts"
      />
      <p class="small soft">
        More spawn is faster and safer, and dearer. Break it up well, mix it through or lay it in layers;
        spawn that is clumped or old goes slower.
      </p>
    </nw-fold>
  `,
  styles: `
    :host {
      display: grid;
      gap: 10px;
    }
  `,
})
export class SpawnRates {
  readonly spawning = input.required<Spawning>();
  readonly eachG = input.required<number>();
  /** Grams for each vessel. */
  readonly chosen = output<number>();

  protected readonly partRange = SPAWN_PARTS;
  protected readonly vesselRange = SPAWN_VESSELS;
  protected readonly jarName = computed(() => capital(this.spawning().source.batch.vessel.plural));
  private readonly rate = computed(() =>
    unlessRefused(() => spawnRate(this.eachG(), this.spawning()), undefined),
  );
  protected readonly words = computed(() => {
    const rate = this.rate();
    return rate === undefined ? '' : rateWords(rate, this.spawning());
  });
  /** What does not fit, or cannot be mixed in there. */
  protected readonly tightWords = computed(() => {
    const { roomShare = 0 } = this.rate() ?? {};
    const { name } = this.spawning().target.batch.vessel;
    return roomShare > 1
      ? `So much does not go into a ${name}: less spawn, or part of it into another vessel.`
      : roomShare > MOST_ROOM_TO_MIX
        ? `That fills a ${name} to ${percentWords(roomShare, 0)}: mix in a clean tub, or lay it in layers.`
        : '';
  });
  protected readonly rates = computed(() =>
    RICHNESSES.map((value) => ({
      value,
      words: `${capital(value)}, ${amountWords(spawnOfShare(SPAWN_SHARES[value], this.spawning()))}`,
    })),
  );
  /** The one that is taken just now, where it is one of them. */
  protected readonly richness = computed(() =>
    RICHNESSES.find((r) => spawnOfShare(SPAWN_SHARES[r], this.spawning()) === this.eachG()),
  );

  protected take(richness: Richness): void {
    this.chosen.emit(spawnOfShare(SPAWN_SHARES[richness], this.spawning()));
  }

  protected readonly byVessels = (vessels: number): Promise<boolean> => {
    this.chosen.emit(spawnOfVessels(vessels, this.spawning()));
    return Promise.resolve(true);
  };
  protected readonly byParts = (parts: number): Promise<boolean> => {
    this.chosen.emit(spawnOfParts(parts, this.spawning()));
    return Promise.resolve(true);
  };
}

/** "15 % by mass, 1 : 6.7; 1 : 8.9 by volume; 0.55 quart jars to each; full after 20 to 35 days; 0.39 of money each." */
function rateWords(rate: SpawnRate, { source }: Spawning): string {
  const parts = (n: number) => `1 : ${formatNumber(n, n < 10 ? 1 : 0)}`;
  const { days, cost } = rate;
  const told = [
    `${percentWords(rate.share)} by mass, ${parts(rate.partsByMass)}`,
    `${parts(rate.partsByVolume)} by volume`,
    `${formatNumber(rate.vesselsEach, 2)} ${source.batch.vessel.plural} to each`,
    days === undefined ? '' : `full after ${formatNumber(days.low)} to ${formatNumber(days.high)} days`,
    cost === undefined ? '' : `${formatNumber(cost, 2)} of money to each`,
  ].filter(Boolean);
  return `${told.join('; ')}.`;
}
