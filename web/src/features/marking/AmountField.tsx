import { useEffect, useId, useRef, useState } from 'react';
import { partOf, show, typedAmount } from '../../ui/marks';

interface AmountFieldProps {
  /** What the note costs while nothing is decided on it. */
  loss: string;
  /** Which part of the loss is given back. */
  onTake: (part: string) => void;
  onLeave: () => void;
}

/** How many marks of a loss are given back, typed exactly: `½`, `0.75`, `2/3`. */
export function AmountField({ loss, onTake, onLeave }: AmountFieldProps) {
  const [text, setText] = useState('');
  const [refused, setRefused] = useState(false);
  const field = useRef<HTMLInputElement>(null);
  const told = useId();
  useEffect(() => field.current?.focus(), []);
  const take = () => {
    const amount = typedAmount(text);
    const part = amount === null ? null : partOf(loss, amount);
    if (part === null) setRefused(true);
    else onTake(part);
  };
  return (
    <p className="amount">
      <label>
        gives back{' '}
        <input
          ref={field}
          className="plain-input"
          inputMode="decimal"
          maxLength={12}
          value={text}
          aria-invalid={refused}
          aria-describedby={refused ? told : undefined}
          onChange={(event) => (setText(event.target.value), setRefused(false))}
          onKeyDown={(event) => {
            if (event.key === 'Enter') take();
            if (event.key === 'Escape') {
              event.stopPropagation();
              onLeave();
            }
          }}
        />{' '}
        of {show(loss)}
      </label>{' '}
      <button className="word-button" onClick={take}>
        take it
      </button>{' '}
      <button className="word-button" onClick={onLeave}>
        leave it
      </button>
      {refused && (
        <span id={told} className="refusal" role="alert">
          An amount between 0 and {show(loss)} is wanted, such as ¼, 0.3 or 2/3.
        </span>
      )}
    </p>
  );
}
