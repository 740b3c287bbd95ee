/** How far the writing of sheets is. */
export interface Writing {
  readonly written: number;
  readonly of: number;
}

/** A reply broke off before its file had come. */
export class BrokenOff extends Error {
  constructor() {
    super('The sheets broke off before they were ready. Nothing is lost; try again.');
  }
}

const lineEnd = 10;

/**
 * Reads a reply that tells how far it is while it comes: how many sheets there are, a line end, a dot for each that is written, a
 * line end, and then the file (docs/formats/sheets.md).
 */
export async function readSheets(
  body: ReadableStream<Uint8Array>,
  onProgress: (writing: Writing) => void,
): Promise<Uint8Array<ArrayBuffer>[]> {
  const reader = body.getReader();
  const file: Uint8Array<ArrayBuffer>[] = [];
  let of = '';
  let ends = 0;
  let written = 0;
  for (;;) {
    const { done, value } = await reader.read();
    if (done) break;
    let at = 0;
    for (; at < value.length && ends < 2; at++) {
      if (value[at] === lineEnd) ends++;
      else if (ends === 0) of += String.fromCharCode(value[at]!);
      else written++;
    }
    if (at < value.length) file.push(value.slice(at));
    if (ends > 0) onProgress({ written, of: Number(of) });
  }
  if (file.length === 0) throw new BrokenOff();
  return file;
}
