import { cloneElement, useId, type ReactElement } from 'react';

type Input = ReactElement<React.InputHTMLAttributes<HTMLElement>>;

interface FieldProps {
  label: string;
  /** What is wrong with what stands in it. */
  error?: string;
  children: Input;
}

/** A field with its label above it, and beneath it what is wrong with what stands in it. */
export function Field({ label, error, children }: FieldProps) {
  const id = useId();
  return (
    <div>
      <label className="field">
        <span>{label}</span>
        {error ? cloneElement(children, { 'aria-invalid': true, 'aria-describedby': id }) : children}
      </label>
      {error && (
        <p className="refusal text-[13px]" id={id} role="alert">
          {error}
        </p>
      )}
    </div>
  );
}

/** A box to tick with its label beside it. */
export function Tick({ label, children }: { label: string; children: Input }) {
  return (
    <label className="flex gap-2 items-start">
      {cloneElement(children, { className: 'mt-1' })} {label}
    </label>
  );
}
