const least = { 0: 'at least none', 1: 'at least one' };
const most = { i: 'at most one', m: 'many' };

/** Draws with one finger and the keyboard on the glass: whatever keys do is pressed in the short row. */
export const byTouch = (Drawer, { page, until, endSpots, boxOf, nameOf, nameSpot, origin, says, crowKeys, textKeys }) =>
  class extends Drawer {
    async start() {
      await this.lay();
    }

    async tap(what) {
      const box = await until('something to tap', () => what.first().boundingBox());
      await this.hand.tap({ x: box.x + box.width / 2, y: box.y + box.height / 2 });
    }

    get row() {
      return page.getByRole('toolbar', { name: 'With what is chosen' });
    }

    async deed(name) {
      const deed = this.row.getByRole('button', { name });
      if ((await deed.count()) === 0) await this.tap(this.row.getByRole('button', { name: /^(more|other symbols)$/ }));
      await this.tap(deed);
    }

    async radio(name, group) {
      await this.tap((group ? this.row.getByRole('radiogroup', { name: group }) : this.row).getByRole('radio', { name, exact: true }));
    }

    async letGo() {
      const at = await origin();
      for (let tries = 0; (await this.row.count()) > 0 && tries < 3; tries++) {
        await this.hand.tap({ x: at.x + at.width - 8, y: at.y + 60 });
        await page.waitForTimeout(30);
      }
    }

    async pointBox(shape) {
      const place = this.places.get(shape.id);
      await this.hand.tap({ x: place.x - (this.notation === 'uml' ? 50 : 0), y: place.y });
      await this.tap(page.getByRole('group', { name: 'Symbols' }).getByRole('button', { name: /^box/ }));
      await this.hand.type(this.textOf(shape));
      await this.leaveText();
      await this.dress(shape);
      await this.letGo();
    }

    /** A press beside a text being written keeps it. */
    async leaveText() {
      const at = await origin();
      await this.hand.tap({ x: at.x + at.width - 8, y: at.y + 60 });
      await until('the text to be taken', async () => (await page.locator('.box-editor').count()) === 0);
    }

    async dress(shape) {
      if (shape.outline !== 'double' && !shape.italic) return;
      if ((await this.row.count()) === 0) await this.choose(shape);
      if (shape.outline === 'double') await this.radio('double outline');
      if (shape.italic) await this.deed(/^italics|^abstract/);
    }

    async choose(...shapes) {
      for (const [i, shape] of shapes.entries()) {
        if (i === 1) await this.deed(/^and another/);
        await this.hand.tap(nameSpot(await boxOf(nameOf(shape))));
      }
    }

    async pull(from, to) {
      const before = new Set((await endSpots()).keys());
      await this.letGo();
      await this.choose(from);
      if (to === from) await this.deed('line to itself');
      else {
        await this.deed(/^line( l)?$/);
        await this.hand.tap('x' in to ? to : nameSpot(await boxOf(nameOf(to))));
      }
      return until('the line', async () => [...(await endSpots()).keys()].find((id) => id.endsWith('/to') && !before.has(id)));
    }

    async amounts([fewest, many]) {
      if (fewest !== undefined) await this.radio(least[fewest], 'least');
      if (many !== undefined) await this.radio(most[many], 'most');
    }

    async write(deed, text) {
      await this.deed(deed);
      await this.writeText(text);
    }

    async endKeys(line, side) {
      const end = line[side];
      if (this.notation === 'uml') {
        if (end.count) await this.amounts(textKeys[end.count]);
        if (end.marks) await this.radio(says(end.marks[0]), 'Symbols at this end');
        if (end.role) await this.write(/^role/, end.role);
      } else {
        await this.amounts(crowKeys(end.marks));
        if (end.label) await this.write(/^(write a )?verb/, end.label);
      }
    }

    async otherEnd() {
      await this.deed(/^other end/);
    }

    async lineKeys(line) {
      const stroke = line.stroke ?? 'solid';
      if (this.notation === 'crows-foot' || stroke !== 'solid') await this.radio(`${stroke} line`);
      if (line.text) await this.write(/^name (the|of the) line/, line.text);
      if (line.pointer === 'to') await this.deed(/^reading pointer/);
    }

    async endOfLine() {
      await this.letGo();
    }

    async tiedTo(shape) {
      await this.deed(shape.form === 'circle' ? /^circle/ : /^diamond( d)?$/);
    }

    async ovalAt(shape, text) {
      await this.letGo();
      await this.choose(shape);
      await this.deed(/^oval/);
      await this.writeText(text);
    }

    async atEnd(other, { id, at }, keys, role, { cup, wanted } = {}) {
      await this.letGo();
      if (cup) {
        await this.hand.tap(await this.middleOf(id.replace(/\/(to|from)$/, '')));
        if (wanted.stroke === 'double') await this.radio('double line');
        if (cup.wanted !== cup.placed) await this.radio(cup.wanted ? new RegExp(`a cup, open to ${nameOf(other)}`) : 'no cup', 'cup');
      } else {
        await this.hand.tap(at);
        await this.amounts(keys);
      }
      if (role) await this.write(/^role/, role);
      await this.letGo();
    }
  };
