// The one place that decides what a press of a key means, and the list of all that have a meaning.
import { button, h } from '../common/dom.js';
import { isWalkedTo, noteWalk } from '../common/reach.js';
import { isOwn, kindOf } from './focus-kinds.js';
import { sign, SIGNS } from './set-list.js';
import { pressOf, shortcutOf, SHORTCUTS, WITH_POINTER } from './shortcuts.js';

const LEGEND = [
  [SIGNS.seen, 'The camera in the picture'],
  [SIGNS.shown, 'Seen in picture and plan: a click hides it'],
  [SIGNS.hidden, 'Hidden: a click shows it'],
];
const GIVE_BACK = ['select', 'tick', 'colour'];

/** What a press means to the page; nothing where it belongs to what has the focus. */
function meaning(event) {
  if (document.querySelector('dialog[open]')) return null;
  if (isOwn(event.target, pressOf(event))) return null;
  const shortcut = shortcutOf(event);
  const copies = shortcut?.act === 'copy' && String(getSelection());
  return copies ? null : (shortcut ?? null);
}

/** Gives the focus back to the work, from wherever it is. */
function giveBack(element) {
  queueMicrotask(() => {
    if (document.activeElement === element) element.blur();
  });
}

/** What was typed or chosen is done: the keys are the page's again. */
function listenToDone() {
  document.addEventListener('change', ({ target }) => {
    const { kind } = kindOf(target);
    if (GIVE_BACK.includes(kind) && !isWalkedTo(target)) giveBack(target);
  });
}

/** Whether a press was taken by who walks; what is typed into a text stays there. */
function walks(event, hands) {
  const { kind } = kindOf(event.target);
  if (kind === 'text' || document.querySelector('dialog[open]') || !hands.takes(event)) return false;
  event.preventDefault();
  event.stopPropagation();
  return true;
}

function ownEnter(event) {
  const { target } = event;
  const { kind } = kindOf(target);
  if (kind === 'text' && target.tagName !== 'TEXTAREA' && !target.closest('dialog')) giveBack(target);
  if ((kind === 'tick' || kind === 'colour') && isWalkedTo(target)) target.click();
}

/**
 * @param {Record<string, (...given: any[]) => any>} act what each shortcut does
 * @param {import('../operate/hands.js').Hands} hands which keep some keys while somebody walks
 */
export function listenToKeys(act, hands) {
  const press = (event) => {
    if (walks(event, hands)) return;
    const shortcut = meaning(event);
    if (shortcut) {
      event.preventDefault();
      event.stopPropagation();
      act[shortcut.act](...(shortcut.with ?? []));
      return;
    }
    if (event.key === 'Tab' || (kindOf(event.target).kind !== 'text' && isOwn(event.target, pressOf(event))))
      noteWalk();
    if (event.key === 'Enter') ownEnter(event);
  };
  document.addEventListener('keydown', press, { capture: true });
  listenToDone();
}

const listed = (rows) => h('dl', {}, ...rows.flatMap(([key, what]) => [h('dt', {}, key), h('dd', { text: what })]));

export function fillShortcuts(dialog) {
  const shown = SHORTCUTS.filter(({ says }) => says).map((each) => [each.shown, each.says]);
  dialog.append(
    h('h2', { text: 'Shortcuts' }),
    listed([...shown, ...WITH_POINTER]),
    h('h3', { text: 'Signs in the list of what is on set' }),
    listed(LEGEND.map(([d, what]) => [sign(d), what])),
    h(
      'div',
      { class: 'actions' },
      button('Close', () => dialog.close()),
    ),
  );
}
