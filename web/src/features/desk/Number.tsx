/** Goes to the answers that a number counts, by their places; null where they are not to be told. */
export type Pick = ((what: string, works: readonly number[]) => void) | null;

/** A number that leads to the answers that it counts. */
export function Number({ works, what, onPick }: { works: readonly number[]; what: string; onPick: Pick }) {
  return onPick ? (
    <button
      className="word-button font-bold"
      aria-label={`${works.length}, show them`}
      onClick={() => onPick(what, works)}
    >
      {works.length}
    </button>
  ) : (
    <strong>{works.length}</strong>
  );
}
