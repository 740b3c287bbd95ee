/** Draws with the keys alone: what is drawn already is found by its name, lines are led from one to the other. */
export const byKeys = (Drawer, { page, until, endSpots, boxOf, nameOf }) =>
  class extends Drawer {
    async start() {
      await page.locator('.slate').first().focus();
    }

    async find(text) {
      await this.hand.press('/');
      await this.hand.type(text);
      await this.hand.press('Enter');
      await until('the slate', () => page.evaluate(() => document.activeElement.classList.contains('slate')));
    }

    async pointBox(shape) {
      await this.hand.press('Escape', 'e');
      await this.hand.type(this.textOf(shape));
      await this.hand.press('Escape');
      await this.dress(shape);
    }

    async choose(...shapes) {
      await this.hand.press('Escape');
      for (const [i, shape] of shapes.entries()) {
        if (i > 0) await this.hand.press('g');
        await this.find(nameOf(shape));
      }
    }

    /** A line is found by what stands on it. */
    async ontoLine(id) {
      const { text, from, to } = this.drawing.lines.find((line) => line.id === id);
      return { text: text || from.label || to.label };
    }

    async pull(from, to) {
      const before = new Set((await endSpots()).keys());
      await this.hand.press('Escape');
      await this.find(nameOf(from));
      await this.hand.press('l');
      if (to !== from) await this.find(nameOf(to));
      await this.hand.press('Enter');
      return until('the line', async () => [...(await endSpots()).keys()].find((id) => id.endsWith('/to') && !before.has(id)));
    }

    /** Walks round a box from end to end, to that of the new lines which was drawn first. */
    async endOf(_, other, fresh, keys, role) {
      await this.hand.press('Escape');
      await this.find(nameOf(other));
      const met = [];
      const step = async () => {
        await this.hand.press(']');
        return page.locator('.end-focus').evaluateAll((all) => all[0]?.closest('[data-element]').getAttribute('data-element'));
      };
      for (let id = await step(); !met.includes(id); id = await step()) met.push(id);
      const wanted = fresh.find((id) => met.includes(id));
      for (let at = 0; met[at] !== wanted; at++) await step();
      fresh.splice(fresh.indexOf(wanted), 1);
      await this.hand.press(...keys);
      if (role) {
        await this.hand.press('g');
        await this.writeText(role);
      }
      await this.hand.press('Escape');
    }
  };
