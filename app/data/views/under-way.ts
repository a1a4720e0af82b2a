import { isRunFull, type BatchView } from '../../../core/index';

/** Whether something is made of it, runs or bears: what only waits in the fridge does not. */
export function isUnderWay(view: BatchView): boolean {
  const waiting = (phase: string) =>
    phase === 'planned' || phase === 'cooking' || phase === 'cooked' || phase === 'opened';
  return (
    view.batch.plan !== undefined &&
    view.vessels.some(
      (v) =>
        waiting(v.state.phase) ||
        (v.state.phase === 'running' && (v.state.place !== 'fridge' || !isRunFull(v))),
    )
  );
}

/** "black poplar, 6" */
export function underWayWords(view: BatchView): string {
  const standing = view.vessels.filter((v) => v.state.phase !== 'gone').length;
  return view.species === undefined ? 'not inoculated' : `${view.species.name.toLowerCase()}, ${standing}`;
}
