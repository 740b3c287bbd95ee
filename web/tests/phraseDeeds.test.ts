import { describe, expect, it } from 'vitest';
import { emptyDrawing, rowsOf, type Drawing } from '../src/drawing/document';
import { addShape } from '../src/drawing/edits';
import { ovalsOf } from '../src/drawing/ovals';
import { slateNotation } from '../src/notations/notations';
import { nothing, select, type Selection } from '../src/drawing/selection';
import { apply } from '../src/drawing/steps';
import { phraseDeeds, proposedDeeds, type PhraseGround } from '../src/script/phraseDeeds';

/** A slate on which words of a scenario are drawn one after the other. */
class Slate {
  drawing: Drawing = emptyDrawing;
  selection: Selection = nothing;
  private n = 0;
  private readonly newId = (prefix: string) => `${prefix}${++this.n}`;

  constructor(private readonly notation: string) {}

  ground(): PhraseGround {
    return {
      drawing: this.drawing,
      notation: slateNotation({ notation: this.notation }),
      selection: this.selection,
      free: () => ({ x: 300 * ++this.n, y: 300 }),
      between: () => ({ x: 500, y: 100 }),
    };
  }

  offers = () => phraseDeeds(this.ground()).map(({ key, says }) => `${key}: ${says}`);

  press(key: string, quote: string): string {
    const drawn = phraseDeeds(this.ground()).find((deed) => deed.key === key)!.draw!(quote, this.newId);
    this.drawing = apply(this.drawing, drawn.change.steps);
    this.selection = drawn.selection;
    return drawn.element;
  }

  box(text: string): string {
    const { change, id } = addShape(this.drawing, 'rectangle', this.n * 1200, 0, this.newId, text);
    this.drawing = apply(this.drawing, change.steps);
    return id;
  }
}

describe('what words of the scenario become', () => {
  it('is at first a box alone, with a capital', () => {
    const slate = new Slate('crows-foot');
    expect(slate.offers()).toEqual(['e: a box']);
    const id = slate.press('e', 'visitor');
    expect(slate.drawing.shapes.get(id)!.text).toBe('Visitor');
    expect(slate.offers()).toEqual(['e: a box', 'a: an attribute of Visitor', 't: said of Visitor']);
  });

  it('is one attribute after the other of the same box', () => {
    for (const notation of ['crows-foot', 'uml']) {
      const slate = new Slate(notation);
      const id = slate.press('e', 'visitor');
      slate.press('a', 'Name');
      slate.press('a', 'phone');
      expect(rowsOf(slate.drawing.shapes.get(id)!).map((row) => row.text)).toEqual(['name', 'phone']);
    }
  });

  it('is an oval in Chen’s notation, or a part of the oval chosen last', () => {
    const slate = new Slate('chen');
    const id = slate.press('e', 'visitor');
    const name = slate.press('a', 'name');
    expect(slate.offers()).toEqual(['e: a box', 'a: an attribute of Visitor', 'p: a part of name', 't: said of name']);
    slate.press('p', 'first');
    slate.press('a', 'phone');
    expect(slate.drawing.shapes.get(id)!.compartments).toEqual([]);
    expect(ovalsOf(slate.drawing, id).map((oval) => oval.text)).toEqual(['name', 'phone']);
    expect(ovalsOf(slate.drawing, name, new Set([id])).map((oval) => oval.text)).toEqual(['first']);
  });

  it('tells something of the end that is chosen, and draws nothing', () => {
    const slate = new Slate('crows-foot');
    slate.selection = select(slate.box('Visitor'), slate.box('Visit'));
    slate.press('r', 'pays');
    const [line] = [...slate.drawing.lines.values()];
    const before = slate.drawing;
    expect(slate.offers().at(-1)).toBe('t: said of the end at Visit');
    expect(slate.press('t', 'some have none')).toBe(`${line!.id}/to`);
    expect(slate.drawing).toEqual(before);
    slate.selection = nothing;
    expect(slate.offers().some((offer) => offer.startsWith('t'))).toBe(false);
  });

  it('asks whose attribute it is where nothing is chosen', () => {
    const slate = new Slate('chen');
    slate.press('e', 'visitor');
    slate.selection = nothing;
    const [, attribute] = phraseDeeds(slate.ground());
    expect(attribute).toMatchObject({ key: 'a', draw: null });
  });

  it.each([
    ['crows-foot', 'a line from Visitor to Visit', 'from'],
    ['uml', 'a line from Visitor to Visit', 'line'],
  ])('is a line between two chosen boxes in %s', (notation, says, where) => {
    const slate = new Slate(notation);
    slate.selection = select(slate.box('Visitor'), slate.box('Visit'));
    expect(slate.offers()).toContain(`r: ${says}`);
    const element = slate.press('r', 'pays');
    const [line] = [...slate.drawing.lines.values()];
    expect(where === 'line' ? line!.text : line!.from.label).toBe('pays');
    expect(element).toBe(where === 'line' ? line!.id : `${line!.id}/from`);
    slate.press('r', 'makes');
    const [renamed] = [...slate.drawing.lines.values()];
    expect(where === 'line' ? renamed!.text : renamed!.to.label).toBe('makes');
  });

  it('is a diamond between all chosen boxes in Chen’s notation, which may own attributes', () => {
    const slate = new Slate('chen');
    slate.selection = select(slate.box('Guest'), slate.box('Show'), slate.box('Guide'));
    const id = slate.press('r', 'reserves');
    expect(slate.drawing.shapes.get(id)).toMatchObject({ form: 'diamond', text: 'reserves' });
    expect(slate.drawing.lines.size).toBe(3);
    slate.press('a', 'places');
    expect(ovalsOf(slate.drawing, id).map((oval) => oval.text)).toEqual(['places']);
  });

  it('offers first what the words are proposed for, with the longest words first, and draws nothing for it', () => {
    const slate = new Slate('crows-foot');
    const [kiln, firing] = [slate.box('Kiln'), slate.box('Firing')];
    const chosen = { block: 1, start: 10, quote: 'kiln firing' };
    const proposals = [
      { element: kiln, place: { block: 1, start: 10, quote: 'kiln' } },
      { element: firing, place: { block: 1, start: 10, quote: 'kiln firing' } },
      { element: firing, place: { block: 1, start: 15, quote: 'firing' } },
      { element: kiln, place: { block: 0, start: 10, quote: 'kiln' } },
      { element: kiln, place: { block: 1, start: 21, quote: 's' } },
    ];
    const deeds = proposedDeeds(slate.ground(), chosen, proposals);
    expect(deeds.map(({ key, says }) => `${key}: ${says}`)).toEqual(['1: said of Firing', '2: said of Kiln']);
    expect(deeds[0]!.draw!('kiln firing', () => '')).toMatchObject({ element: firing, change: { steps: [] } });
    expect(proposedDeeds(slate.ground(), { ...chosen, block: 2 }, proposals)).toEqual([]);
  });
});
