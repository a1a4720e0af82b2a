/** One line for the person at the terminal. */
export function say(line) {
  process.stdout.write(`${line}\n`);
}

/** One line that says what is wrong and what to do, then the end. */
export function stopWith(line) {
  process.stderr.write(`${line}\n`);
  process.exit(1);
}
