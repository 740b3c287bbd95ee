import { useCombobox } from 'downshift';
import { useLayoutEffect, useRef, useState, type ReactNode } from 'react';

interface ComboboxProps<T> {
  label: string;
  placeholder: string;
  className: string;
  /** What fits the text typed so far, best first. */
  fitting: (text: string) => readonly T[];
  keyOf: (item: T) => string;
  show: (item: T) => ReactNode;
  /** What is said when nothing fits. */
  nothing: string;
  onChoose: (item: T) => void;
  /** Left without a choice: by the Escape key, or because one went elsewhere. */
  onLeave: (byKey: boolean) => void;
}

/** A field in which a few letters are enough: what fits stands beneath, chosen by arrows and Enter or by a press. */
export function Combobox<T>({
  label,
  placeholder,
  className,
  fitting,
  keyOf,
  show,
  nothing,
  onChoose,
  onLeave,
}: ComboboxProps<T>) {
  const [text, setText] = useState('');
  const field = useRef<HTMLInputElement>(null);
  useLayoutEffect(() => field.current?.focus(), []);
  const items = fitting(text);
  const { getInputProps, getMenuProps, getItemProps, highlightedIndex } = useCombobox<T>({
    items: [...items],
    isOpen: true,
    inputValue: text,
    defaultHighlightedIndex: 0,
    initialHighlightedIndex: 0,
    selectedItem: null,
    itemToString: () => text,
    itemToKey: (item) => (item ? keyOf(item) : ''),
    onSelectedItemChange: ({ selectedItem }) => selectedItem && onChoose(selectedItem),
  });
  // Leaving is ours: the library would take what is highlighted.
  const leave = (event: React.SyntheticEvent<HTMLInputElement>, byKey: boolean) => {
    (event.nativeEvent as Event & { preventDownshiftDefault?: boolean }).preventDownshiftDefault = true;
    onLeave(byKey);
  };
  return (
    <div className={className} data-overlay>
      <input
        {...getInputProps({
          ref: field,
          'aria-label': label,
          'aria-labelledby': undefined,
          placeholder,
          // At once: what the library tells later would come after the next letter.
          onChange: (event) => setText(event.currentTarget.value),
          spellCheck: false,
          onKeyDown: (event) => {
            event.stopPropagation();
            if (event.key === 'Escape' && !event.nativeEvent.isComposing) leave(event, true);
          },
          onBlur: (event) => leave(event, false),
        })}
      />
      <ul {...getMenuProps({ 'aria-label': `${label}: what fits`, 'aria-labelledby': undefined })}>
        {items.map((item, index) => (
          <li
            key={keyOf(item)}
            {...getItemProps({
              item,
              index,
              'aria-selected': index === highlightedIndex,
              // Before the field loses the focus, which would close it.
              onMouseDown: (event) => event.preventDefault(),
            })}
          >
            {show(item)}
          </li>
        ))}
      </ul>
      {text.trim() !== '' && items.length === 0 && <p role="status">{nothing}</p>}
    </div>
  );
}
