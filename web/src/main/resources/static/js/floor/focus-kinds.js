// What can have the focus, and the keys it then keeps for itself.
import { isUntouched, isWalkedTo } from '../common/reach.js';

const ARROWS = ['ArrowLeft', 'ArrowRight', 'ArrowUp', 'ArrowDown'];
const SHIFTED = ARROWS.map((arrow) => `Shift+${arrow}`);
const CARRYING = ['Alt+ArrowLeft', 'Alt+ArrowRight'];
const UNDOING = ['Control+z', 'Control+Shift+z'];

/**
 * Kinds in the order in which they are tried: what it is, and which presses are its own once somebody has walked to it
 * with the keyboard; with always, however it got the focus.
 *
 * @type {{kind: string, is: string, owns: (press: string) => boolean, always?: boolean}[]}
 */
export const FOCUS_KINDS = [
  {
    kind: 'text',
    is: 'input:not([type="checkbox"]):not([type="radio"]):not([type="color"]), textarea',
    owns: () => true,
    always: true,
  },
  { kind: 'menu item', is: '[role="menuitem"]', owns: among('Enter', 'Escape', ...ARROWS), always: true },
  { kind: 'select', is: 'select', owns: (press) => ARROWS.includes(press) || /^[a-z0-9]$/.test(press) },
  { kind: 'tick', is: 'input[type="checkbox"], input[type="radio"]', owns: among('Enter') },
  { kind: 'colour', is: 'input[type="color"]', owns: among('Enter') },
  { kind: 'tab', is: '[role="tab"]', owns: among('Enter', 'ArrowLeft', 'ArrowRight') },
  { kind: 'card', is: '[data-card]', owns: among('Enter', ...CARRYING) },
  { kind: 'bead', is: '[data-bead], [data-marker], [data-stamp]', owns: among('Enter', 'Backspace', ...CARRYING) },
  { kind: 'part of the picture', is: '.loupe-part', owns: among('Enter', ...ARROWS, ...SHIFTED) },
  { kind: 'button', is: 'button, a, summary, [role="button"]', owns: among('Enter') },
  { kind: 'view', is: 'svg[tabindex]', owns: among('Enter', '+', '-', ...ARROWS, ...SHIFTED) },
  { kind: 'page', is: '*', owns: () => false },
];

function among(...presses) {
  return (press) => presses.includes(press);
}

export const kindOf = (element) => FOCUS_KINDS.find((kind) => element.matches?.(kind.is)) ?? FOCUS_KINDS.at(-1);

/** Whether a press belongs to the element that has the focus, and not to the page. */
export function isOwn(element, press) {
  const { kind, owns, always } = kindOf(element);
  if (kind === 'text' && UNDOING.includes(press) && isUntouched(element)) return false;
  return owns(press) && Boolean(always || isWalkedTo(element));
}
