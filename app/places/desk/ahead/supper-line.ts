import type { StepInPlan, SupperPlan } from '../../../../core/index';
import type { RunLineModel } from '../../../data/views/run-line-model';

/** A wish on one line: what runs and bears as bands; what is done has a handle each. */
export function supperLine({ steps, supper, lateDays }: SupperPlan, words: string): RunLineModel {
  const first = (...kinds: StepInPlan['kind'][]) => steps.find((s) => kinds.includes(s.kind))?.slot;
  const band = (label: string, from: number | undefined, to: number | undefined) =>
    from === undefined || to === undefined || to <= from
      ? []
      : [{ fromMs: from, toMs: to, label, due: lateDays > 0 && label === 'bears' }];
  const [sown, spawned, opened] = [first('sowGrain'), first('spawnBlocks'), first('open')];
  const cut = steps.findLast((s) => s.kind === 'cut')?.slot;
  const bands = [
    ...band('spawn runs', sown?.endMs, spawned?.startMs),
    ...band('blocks run', spawned?.endMs, opened?.startMs),
    ...band('bears', opened?.endMs, cut?.endMs ?? supper.byMs),
  ];
  return { dots: [], bands, words: [words, ...bands.map((b) => b.label)].join(', ') };
}
