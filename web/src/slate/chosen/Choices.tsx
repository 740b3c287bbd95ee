import { Toolbar } from 'radix-ui';
import type { ReactNode } from 'react';
import { Tip } from '../../ui/Tip';

/** One of several ways in which something can be drawn. */
export interface Choice<T extends string> {
  readonly value: T;
  readonly says: string;
  /** A word for it where the symbols are shown with words. */
  readonly word?: string;
  readonly sample?: ReactNode;
  readonly keyName?: string;
}

interface ChoicesProps<T extends string> {
  title: string;
  /** Shown above the choices too, not only said. */
  titled?: boolean;
  value: T | null;
  choices: readonly Choice<T>[];
  onChoose: (value: T) => void;
}

/** Ways of drawing one thing, of which one holds: a row of samples, each with what it is called. */
export function Choices<T extends string>({ title, titled = false, value, choices, onChoose }: ChoicesProps<T>) {
  return (
    <div className="choice-group">
      {titled && (
        <span className="choice-title" aria-hidden="true">
          {title}
        </span>
      )}
      <Toolbar.ToggleGroup
        type="single"
        className="choices"
        aria-label={title}
        value={value ?? ''}
        // Pressing what holds already leaves it so: a choice is never empty.
        onValueChange={(next) => next !== '' && onChoose(next as T)}
      >
        {choices.map(({ value: one, says, word, sample, keyName }) => (
          <Tip key={one} says={keyName ? `${says} (${keyName})` : says}>
            <Toolbar.ToggleItem value={one} className="choice" aria-label={says}>
              {sample}
              {word && <span>{word}</span>}
            </Toolbar.ToggleItem>
          </Tip>
        ))}
      </Toolbar.ToggleGroup>
    </div>
  );
}

interface DeedProps {
  says: string;
  keyName?: string;
  pressed?: boolean;
  disabled?: boolean;
  expanded?: boolean;
  onPress: () => void;
}

/** Something that can be done with what is chosen, in a word, with its key. */
export function Deed({ says, keyName, pressed, disabled, expanded, onPress }: DeedProps) {
  return (
    <Toolbar.Button
      className="deed"
      disabled={disabled}
      aria-pressed={pressed}
      aria-expanded={expanded}
      onClick={onPress}
    >
      {says}
      {keyName && (
        <>
          {' '}
          <kbd>{keyName}</kbd>
        </>
      )}
    </Toolbar.Button>
  );
}
