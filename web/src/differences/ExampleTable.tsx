import type { components } from '../api/schema';

type Example = components['schemas']['ResultExample'];

const leads: Record<Example['kind'], string> = {
  'allowed-as-drawn': 'Could be kept as drawn:',
  'ruled-out-as-drawn': 'Could not be kept as drawn:',
  'follows-as-drawn': 'The last row would follow from the others:',
  'repeated-as-drawn': 'As drawn, the same is kept more than once:',
};

/** A handful of made-up instances that the drawing and the model answer judge differently. */
export function ExampleTable({ example }: { example: Example }) {
  return (
    <table className="example">
      <caption>
        <b>{leads[example.kind]}</b> {example.said}
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
