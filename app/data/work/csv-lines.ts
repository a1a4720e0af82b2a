import Papa from 'papaparse';

/** A line of a logger's file is hardly a hundred characters; one without an end is no such file. */
const MOST_LINE_CHARACTERS = 8_000_000;

/**
 * The lines of a CSV file as fields, some thousand at a time, so that a file of any size is never held. The separator is
 * the one of the first lines.
 *
 * @throws Error with words, for a file without lines
 */
export async function* csvLines(
  file: Blob,
  onProgress: (share: number) => void,
): AsyncGenerator<readonly (readonly string[])[]> {
  const decoder = new TextDecoder();
  let delimiter: string | undefined;
  const parse = (text: string) => {
    const { data, meta } = Papa.parse<string[]>(text, {
      skipEmptyLines: true,
      ...(delimiter !== undefined && { delimiter }),
    });
    delimiter ??= meta.delimiter;
    return data;
  };
  let rest = '';
  for (let from = 0; from < file.size; from += PIECE_BYTES) {
    const bytes = await file.slice(from, from + PIECE_BYTES).arrayBuffer();
    rest += decoder.decode(bytes, { stream: true });
    const end = rest.lastIndexOf('\n') + 1;
    if (end > 0) {
      yield parse(rest.slice(0, end));
      rest = rest.slice(end);
    } else if (rest.length > MOST_LINE_CHARACTERS) {
      throw new Error('The file has no lines.');
    }
    onProgress(Math.min(1, (from + PIECE_BYTES) / file.size));
  }
  if (rest !== '') {
    yield parse(rest);
  }
}

/** About ten thousand lines. */
const PIECE_BYTES = 250_000;
