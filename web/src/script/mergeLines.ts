/**
 * The lines that somebody writes, after what they say was changed elsewhere: what is new there is added before what is new here,
 * what is gone there goes here too, and what was written here stays. `base` is what both started from.
 */
export function mergeLines(mine: readonly string[], base: readonly string[], theirs: readonly string[]): string[] {
  const gone = new Set(base.filter((line) => !theirs.includes(line)));
  const kept = mine.filter((line) => !gone.has(line.trim()));
  const here = new Set(kept.map((line) => line.trim()));
  const fresh = theirs.filter((line) => !base.includes(line) && !here.has(line));
  // A line of both that follows one of one's own keeps its place after it.
  const own = kept.findLastIndex((line) => base.includes(line.trim())) + 1;
  return [...kept.slice(0, own), ...fresh, ...kept.slice(own)];
}
