import type { Form } from '../drawing/document';

/** What of a thing can be drawn one way or another. */
export type Aspect = 'outline' | 'stroke' | 'underline' | 'italics';

/**
 * What a way of drawing means, by notation, thing and aspect. What has a meaning is offered first; all else is one step further, since a
 * wrong symbol must be drawable. The words are shown where the symbols are shown with words.
 */
const meanings: Readonly<Record<string, Readonly<Record<string, string>>>> = {
  'crows-foot line stroke': { solid: 'identifying', dashed: 'not identifying', thin: 'unsaid' },
  'crows-foot half-circle outline': { double: 'total' },
  'crows-foot circle outline': { double: 'total' },
  'crows-foot row underline': { dashed: 'partial key' },
  'chen rectangle outline': { double: 'weak' },
  'chen diamond outline': { double: 'identifying' },
  'chen oval outline': { double: 'several', dashed: 'derived' },
  'chen oval underline': { solid: 'key', dashed: 'partial key' },
  'chen line stroke': { double: 'all of them' },
  'dependency rectangle underline': { solid: 'key' },
  'dependency rectangle outline': { dashed: 'calculated' },
  'uml line stroke': { dashed: 'dependency' },
  'uml rectangle italics': { yes: 'abstract' },
  'uml row underline': { solid: 'class scope' },
  'uml row italics': { yes: 'abstract' },
};

/** What each value of an aspect means, or null where the notation says nothing by it. */
export const meaningOf = (notation: string, thing: Form | 'line' | 'row', aspect: Aspect) =>
  meanings[`${notation} ${thing} ${aspect}`] ?? null;
