import { commonTokens, declareClassPlugin, PluginKind } from '@stryker-mutator/api/plugin';
import { say } from './say.mjs';

/** One change, told apart from others in the same place. Lines and columns count from zero. */
export function keyOf({ fileName, location: { start }, replacement, mutatorName }) {
  return `${fileName.replace(/^.*\/core\//, 'core/')} ${start.line}:${start.column} ${mutatorName} ${replacement}`;
}

/** Lets only the chosen changes be tried: those beside them in the same expression are not. */
class ChosenChecker {
  constructor(options) {
    this.chosen = new Set(options.chosenMutants);
  }

  init() {
    return Promise.resolve();
  }

  check(mutants) {
    const answers = mutants.map((mutant) => [
      mutant.id,
      this.chosen.has(keyOf(mutant))
        ? { status: 'passed' }
        : { status: 'compileError', reason: 'not chosen' },
    ]);
    return Promise.resolve(Object.fromEntries(answers));
  }
}
ChosenChecker.inject = [commonTokens.options];

/** Says at once what no spec noticed. */
class MissedReporter {
  onMutantTested({ status, fileName, location, mutatorName, replacement }) {
    if (status === 'Survived' || status === 'NoCoverage') {
      say(
        `${fileName.replace(/^.*\/core\//, 'core/')}:${location.start.line} ${mutatorName} → ${replacement.slice(0, 120)} (${status})`,
      );
    }
  }
}
MissedReporter.inject = [];

export const strykerPlugins = [
  declareClassPlugin(PluginKind.Checker, 'chosen', ChosenChecker),
  declareClassPlugin(PluginKind.Reporter, 'missed', MissedReporter),
];
