import { useState } from 'react';
import type { Schemas } from '../../api/client';
import { partTools } from '../../api/drawingTools';
import { readDrawing } from '../../drawing/format';
import { counted } from '../../notations/counts';
import { beginsChoice } from '../../parts/begins';
import { Field } from '../../ui/Field';
import { messageOf } from '../../ui/states';

type Value = Schemas['BeginDocument'];

interface BeginProps {
  part: string;
  /** Its place among the parts, from 0. */
  at: number;
  value: Value;
  onChange: (value: Value) => void;
}

/** What is on the slate when students begin a part: nothing, what an earlier part gives, or a drawing from a file. */
export function Begin({ part, at, value, onChange }: BeginProps) {
  const [refusal, setRefusal] = useState<string | null>(null);
  const [waiting, setWaiting] = useState(value.with === 'given-drawing' && !value.drawing);
  const chosen = waiting ? 'given-drawing' : keyOf(value);
  const choices: Value[] = [
    { with: 'nothing' },
    ...Array.from({ length: at }, (_, earlier) => [
      { with: 'own-drawing' as const, part: earlier + 1 },
      { with: 'model-answer' as const, part: earlier + 1 },
    ]).flat(),
    { with: 'given-drawing' },
  ];
  const choose = (key: string) => {
    const choice = choices.find((one) => keyOf(one) === key)!;
    // A drawing that is given has to be there first.
    setWaiting(choice.with === 'given-drawing');
    setRefusal(null);
    if (choice.with !== 'given-drawing') onChange(choice);
  };
  const take = (file: File) =>
    partTools(part, '')
      .open(file)
      .then(({ drawing }) => {
        setWaiting(false);
        setRefusal(null);
        onChange({ with: 'given-drawing', drawing });
      })
      .catch((error: unknown) => setRefusal(messageOf(error)));
  return (
    <div className="space-y-1.5">
      <Field label="Students begin with">
        <select value={chosen} onChange={(event) => choose(event.target.value)}>
          {choices.map((choice) => (
            <option key={keyOf(choice)} value={keyOf(choice)}>
              {beginsChoice(choice.with, choice.part)}
            </option>
          ))}
        </select>
      </Field>
      {chosen === 'given-drawing' && (
        <Field
          label={
            value.drawing && !waiting
              ? `${counted(readDrawing(value.drawing).shapes.size, 'shape is', 'shapes are')} given; another file`
              : 'The file: a drawing, or a picture of one that was taken from here'
          }
        >
          <input
            type="file"
            accept=".json,.svg,.png,.pdf"
            onChange={({ target }) => {
              const file = target.files?.[0];
              if (file) void take(file);
            }}
          />
        </Field>
      )}
      {refusal && (
        <p className="refusal" role="alert">
          {refusal}
        </p>
      )}
    </div>
  );
}

const keyOf = ({ with: begins, part }: Value) => (part ? `${begins} ${part}` : (begins ?? 'nothing'));
