const DEFAULT_PORT = 4310;

/** @param {string | undefined} text what PORT is set to */
export function portFrom(text) {
  if (text === undefined || text === '') {
    return DEFAULT_PORT;
  }
  const port = Number(text);
  if (!Number.isInteger(port) || port < 1 || port > 65_535) {
    throw new Error(`PORT must be a whole number between 1 and 65535. It is "${text}".`);
  }
  return port;
}
