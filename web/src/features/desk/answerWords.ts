import type { Schemas } from '../../api/client';

/** How far an answer is, in words. */
export const stateWords: Readonly<Record<Schemas['AnswerState'], string>> = {
  waiting: 'being checked …',
  'needs-person': 'needs a person: its check failed',
  checked: 'checked',
  'gone-through': 'gone through',
  released: 'released',
};

/** The work of an answer that wants to be looked at first. */
export const firstWorkOf = ({ works }: Schemas['DeskAnswer']) =>
  works.find((work) => work.state === 'checked') ?? works[0]!;
