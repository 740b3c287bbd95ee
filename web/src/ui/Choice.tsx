import { RadioGroup } from 'radix-ui';
import { useId } from 'react';

interface ChoiceProps<T extends string> {
  label: string;
  /** The label stands above the choices; otherwise it is only announced. */
  titled?: boolean;
  value: T;
  choices: readonly (readonly [value: T, word: string, says: string])[];
  onChoose: (value: T) => void;
}

/** One of a few, each with a word on what it means. */
export function Choice<T extends string>({ label, titled, value, choices, onChoose }: ChoiceProps<T>) {
  const id = useId();
  return (
    <RadioGroup.Root
      className="choice-list"
      aria-labelledby={`${id}-label`}
      value={value}
      onValueChange={(next) => onChoose(next as T)}
    >
      <p id={`${id}-label`} className={titled ? 'font-bold' : 'sr-only'}>
        {label}
      </p>
      {choices.map(([one, word, says]) => (
        <div key={one} className="flex gap-2.5 items-baseline py-0.5">
          <RadioGroup.Item value={one} id={`${id}-${one}`} className="choice-mark">
            <RadioGroup.Indicator className="choice-dot" />
          </RadioGroup.Item>
          <label htmlFor={`${id}-${one}`}>
            {word} <span className="text-quiet-ink">{says}</span>
          </label>
        </div>
      ))}
    </RadioGroup.Root>
  );
}
