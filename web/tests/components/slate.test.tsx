// @vitest-environment happy-dom
import './page';
import { fireEvent, render, screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { describe, expect, it } from 'vitest';
import { emptyDrawing, type Drawing } from '../../src/drawing/document';
import { type DrawingSession, drawingSession } from '../../src/slate/drawings';
import { SlateSurface } from '../../src/slate/SlateSurface';
import { useSlate } from '../../src/slate/useSlate';
import { Tips } from '../../src/ui/Tip';

const sessionOf = (drawing: Drawing) =>
  drawingSession(drawing, 1, {
    newSaveId: () => 'save',
    later: () => () => undefined,
    save: () => Promise.resolve({ kind: 'unreachable' }),
  });

function Slate({ session, editable = true }: { session: DrawingSession; editable?: boolean }) {
  const slate = useSlate(session, editable, { notation: 'crows-foot' });
  return (
    <Tips>
      <SlateSurface slate={slate} label="the slate" words={false} lit={none} />
    </Tips>
  );
}

const none: ReadonlySet<string> = new Set();

function open(editable = true) {
  const session = sessionOf(emptyDrawing);
  render(<Slate session={session} editable={editable} />);
  const slate = screen.getByRole('application');
  slate.focus();
  return { session, slate, user: userEvent.setup(), drawing: () => session.current().document };
}

describe('a slate in a page', () => {
  it('draws boxes by keys alone, and takes each back', async () => {
    const { user, drawing, slate, session } = open();
    await user.keyboard('e');
    await user.type(screen.getByRole('textbox'), 'Visit');
    await user.keyboard('{Control>}{Enter}{/Control}');
    slate.focus();
    await user.keyboard('{Escape}e');
    await user.type(screen.getByRole('textbox'), 'Item');
    await user.keyboard('{Control>}{Enter}{/Control}');
    expect([...drawing().shapes.values()].map((shape) => shape.text)).toEqual(['Visit', 'Item']);
    slate.focus();
    const whole = drawing();
    let steps = 0;
    for (; session.current().canUndo; steps++) await user.keyboard('{Control>}z{/Control}');
    expect(drawing().shapes.size).toBe(0);
    for (; steps > 0; steps--) await user.keyboard('{Control>}y{/Control}');
    expect(drawing()).toEqual(whole);
  });

  it('draws where it is pressed, by the symbol that is chosen there', async () => {
    const { drawing, slate, user } = open();
    fireEvent.pointerDown(slate, { clientX: 300, clientY: 200, button: 0, pointerId: 1, pointerType: 'mouse' });
    fireEvent.pointerUp(slate, { clientX: 300, clientY: 200, button: 0, pointerId: 1, pointerType: 'mouse' });
    await user.click(screen.getByRole('button', { name: /^box/ }));
    expect(drawing().shapes.size).toBe(1);
  });

  it('draws a box of a name that is typed where it was pressed', async () => {
    const { drawing, slate, user } = open();
    fireEvent.pointerDown(slate, { clientX: 300, clientY: 200, button: 0, pointerId: 1, pointerType: 'mouse' });
    fireEvent.pointerUp(slate, { clientX: 300, clientY: 200, button: 0, pointerId: 1, pointerType: 'mouse' });
    await user.keyboard('Person{Control>}{Enter}{/Control}');
    expect([...drawing().shapes.values()].map((shape) => shape.text)).toEqual(['Person']);
  });

  it('draws nothing where it is only looked at', async () => {
    const { user, drawing } = open(false);
    await user.keyboard('e');
    expect(screen.queryByRole('textbox')).toBeNull();
    expect(drawing().shapes.size).toBe(0);
  });
});
