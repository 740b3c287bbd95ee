import { ToggleGroup } from 'radix-ui';

interface ViewsProps<T extends string> {
  label: string;
  value: T;
  choices: readonly (readonly [T, string])[];
  onChoose: (view: T) => void;
}

/** Ways to look at the same thing, of which one is chosen. */
export function Views<T extends string>({ label, value, choices, onChoose }: ViewsProps<T>) {
  return (
    <ToggleGroup.Root
      className="views"
      type="single"
      aria-label={label}
      value={value}
      onValueChange={(next) => next && onChoose(next as T)}
    >
      {choices.map(([name, word]) => (
        <ToggleGroup.Item key={name} value={name}>
          {word}
        </ToggleGroup.Item>
      ))}
    </ToggleGroup.Root>
  );
}
