import type { components } from '../api/schema';

type Example = components['schemas']['ResultExample'];

/** A handful of made-up instances that the drawing and the model answer judge differently. */
export function ExampleTable({ example }: { example: Example }) {
  return (
    <table className="example">
      <caption>
        <b>{example.kind === 'allowed-as-drawn' ? 'Could be kept as drawn:' : 'Could not be kept as drawn:'}</b>{' '}
        {example.said}
      </caption>
      <thead>
        <tr>
          {example.columns.map((column, at) => (
            <th key={at} scope="col">
              {column}
            </th>
          ))}
        </tr>
      </thead>
      <tbody>
        {example.rows.map((row, at) => (
          <tr key={at}>
            {row.map((cell, column) => (
              <td key={column}>{cell}</td>
            ))}
          </tr>
        ))}
      </tbody>
    </table>
  );
}
