import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { MatButton } from '@angular/material/button';
import { boilingC, inCooker, meltMinutes, type MeltedIn, type Pouring } from '../../../../core/index';
import { HouseStore } from '../../../data/store/house-store';
import { Journal } from '../../../data/journal/journal';
import { Time } from '../../../data/clock/time';
import { temperatureWords } from '../../../data/words/measure-words';
import { countWords } from '../../../data/words/due-words';
import { bottleWords, shortTime } from '../../../data/words/words';
import { Plaque } from '../../../pieces/plaque';

/** Bottles of agar that were put away shut: how long they melt, and the press that says that they are liquid again. */
@Component({
  selector: 'nw-kept-agar',
  imports: [MatButton, Plaque],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <section class="card" aria-label="Agar kept shut">
      <p>
        <nw-plaque [code]="pouring().view.code" />
        <strong>{{ bottles() }} kept shut since {{ since() }}</strong>
      </p>
      <p>For {{ plates() }}.{{ melted() }}</p>
      <p>{{ meltWords() }}</p>
      <p class="caution">
        Cap loose, or it bursts; superheated it erupts. A cloth around it, away from the face.
      </p>
      <button type="button" matButton="outlined" class="deed quiet" (click)="say('water')">
        Melted in boiling water
      </button>
      <button type="button" matButton="outlined" class="deed quiet" (click)="say('steam')">
        Melted in steam
      </button>
    </section>
  `,
  styles: `
    section {
      display: grid;
      gap: 8px;
      padding: 14px 16px;
      font-size: 19px;
    }
  `,
})
export class KeptAgar {
  readonly pouring = input.required<Pouring>();

  private readonly journal = inject(Journal);
  private readonly store = inject(HouseStore);
  private readonly time = inject(Time);
  protected readonly bottles = computed(() => bottleWords(this.pouring().kept));
  protected readonly plates = computed(() => countWords(this.pouring().toPour.length, 'dish'));
  protected readonly since = computed(() => shortTime(this.pouring().keptSinceMs ?? 0, this.time.now()));
  protected readonly melted = computed(() => {
    const { remelts } = this.pouring();
    // Each time it is hot it browns and loses a little of its strength. Common practice, no source.
    return remelts === 0
      ? ''
      : ` Melted again ${remelts === 1 ? 'once' : `${remelts} times`} already: more than twice weakens the gel.`;
  });
  protected readonly meltWords = computed(() => {
    const { view, cook } = this.pouring();
    const { vessel, wetG } = inCooker(view.batch);
    const boilC = boilingC(cook.cook.atmosphereKPa);
    const roomC = this.store.house()?.household?.roomC ?? cook.cook.roomC;
    const minutes = meltMinutes(vessel, wetG, boilC, roomC);
    return minutes === undefined
      ? 'Water boils too cool here to melt it: under pressure only.'
      : `In boiling water or steam to its shoulder, here at ${temperatureWords(boilC)}: ${Math.round(minutes.low)} to ${Math.round(minutes.high)} min from the room. Done when it swirls clear, without a lump.`;
  });

  protected say(how: MeltedIn): void {
    const { view, cook, kept } = this.pouring();
    void this.journal.say({
      kind: 'bottlesMelted',
      cookId: cook.cook.id,
      batchId: view.batch.id,
      bottles: kept,
      how,
    });
  }
}
