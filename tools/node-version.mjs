// Kept to syntax that very old Nodes can read, so that they too get the one clear line.
const LEAST = [20, 19];

/** What is wrong with a Node version, in one line; empty when it will do. */
export function nodeProblem(version) {
  const parts = version.split('.').map(Number);
  const isOld = parts[0] < LEAST[0] || (parts[0] === LEAST[0] && parts[1] < LEAST[1]);
  return isOld
    ? `Nailwort needs Node ${LEAST.join('.')} or newer; this is ${version}. Install a newer Node and run the command again.`
    : '';
}
