import type { Form, Outline, Stroke, Underline } from '../../drawing/document';
import { Choices } from './Choices';
import { meaningOf, type Aspect } from '../../notations/meanings';
import { OutlineSample, StrokeSample, UnderlineSample } from './samples';

interface WayProps<T> {
  notation: string;
  thing: Form | 'line' | 'row';
  words: boolean;
  value: T;
  onChoose: (value: T) => void;
}

const underlineNames = { none: 'no underline', solid: 'solid underline', dashed: 'dashed underline' } as const;
const noMeaning: Readonly<Record<string, string>> = {};

const wordFor = (
  { notation, thing, words }: Omit<WayProps<unknown>, 'value' | 'onChoose'>,
  aspect: Aspect,
  value: string,
) => (words ? (meaningOf(notation, thing, aspect) ?? noMeaning)[value] : undefined);

/** How a shape's edge is drawn. */
export function OutlineChoices(props: WayProps<Outline>) {
  return (
    <Choices
      title="outline"
      titled
      value={props.value}
      onChoose={props.onChoose}
      choices={(['single', 'double', 'dashed'] as const).map((outline) => ({
        value: outline,
        says: `${outline} outline`,
        word: wordFor(props, 'outline', outline),
        sample: <OutlineSample outline={outline} />,
      }))}
    />
  );
}

/** How a line is drawn. */
export function StrokeChoices({ strokes, ...props }: WayProps<Stroke> & { strokes: readonly Stroke[] }) {
  return (
    <Choices
      title="stroke"
      titled
      value={props.value}
      onChoose={props.onChoose}
      choices={strokes.map((stroke) => ({
        value: stroke,
        says: `${stroke} line`,
        word: wordFor(props, 'stroke', stroke),
        sample: <StrokeSample stroke={stroke} />,
      }))}
    />
  );
}

/** What stands beneath a text. */
export function UnderlineChoices(props: WayProps<Underline>) {
  return (
    <Choices
      title="underline"
      titled
      value={props.value}
      onChoose={props.onChoose}
      choices={(['none', 'solid', 'dashed'] as const).map((underline) => ({
        value: underline,
        says: underlineNames[underline],
        word: wordFor(props, 'underline', underline),
        sample: <UnderlineSample underline={underline} />,
      }))}
    />
  );
}
