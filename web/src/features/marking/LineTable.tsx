import type { Schemas } from '../../api/client';
import type { Placed } from '../../differences/bands';
import { show } from '../../ui/marks';

interface LineTableProps {
  lines: readonly Schemas['ResultLine'][];
  placed: readonly Placed[];
  onOpen: (note: string) => void;
}

/** The marks line by line, each with the note in which its loss is counted. */
export function LineTable({ lines, placed, onOpen }: LineTableProps) {
  return (
    <table className="mark-table">
      <thead>
        <tr>
          <th>what earns marks</th>
          <th className="n">earned</th>
          <th className="n">note</th>
        </tr>
      </thead>
      <tbody>
        {lines.map((line) => {
          const note = placed.find((entry) => line.notes.includes(entry.note.id));
          return (
            <tr key={line.id}>
              <td>{line.title}</td>
              <td className="n">
                {line.earned === line.marks ? show(line.earned) : <strong>{show(line.earned)}</strong>} of{' '}
                {show(line.marks)}
              </td>
              <td className="n">
                {note && (
                  <button className="word-button" onClick={() => onOpen(note.note.id)}>
                    {note.number}
                  </button>
                )}
              </td>
            </tr>
          );
        })}
      </tbody>
    </table>
  );
}
