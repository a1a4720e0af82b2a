/** The work was ended by the person. */
export class Stopped extends Error {
  override readonly name = 'Stopped';
}
