import { cleanup } from '@testing-library/react';
import { afterEach } from 'vitest';

// What the page's own style sheet would give: a slate of this size, and texts of no size of their own.
Element.prototype.getBoundingClientRect = () => new DOMRect(0, 0, 900, 600);
document.elementsFromPoint = () => [...document.querySelectorAll('.slate')];
Element.prototype.setPointerCapture = () => undefined;
Element.prototype.releasePointerCapture = () => undefined;
Element.prototype.hasPointerCapture = () => false;

afterEach(cleanup);
