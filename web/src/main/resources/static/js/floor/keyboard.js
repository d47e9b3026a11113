// The keys of the Floor, and their list.
import { button, h } from '../common/dom.js';
import { sign, SIGNS } from './set-list.js';

const LIST = [
  ['Space', 'Play or stop'],
  ['Left, Right', 'Step a frame (Shift: ten)'],
  ['[  ]', 'Previous, next key'],
  ['Enter', 'Key the whole pose'],
  ['Esc', 'Let go of a loose pose or a pick, or choose no keys'],
  ['Backspace', 'Remove keys'],
  ['1 … 9', 'Camera n in the picture'],
  ['o', 'Operate'],
  ['c', 'Centre on the selection; fit the chosen keys'],
  ['t', 'Plan from above, from the side, or from outside'],
  ['m', 'Mark the playhead, also while playing'],
  ['g', 'Ghost: a version beside this one'],
  ['+  −', 'More or less time in the score (so does the wheel on its ruler)'],
  ['w', 'The whole shot in the score'],
  ['Shift+drag', 'On the ruler: what is looped. On rows: a box of keys'],
  ['Alt+arrows', 'Move the chosen keys, or a card of the chain'],
  ['Shift+click', 'Choose more keys'],
  ['Ctrl+C, Ctrl+V', 'Copy, paste keys'],
  ['F2', 'Rename'],
  ['Ctrl+Z', 'Undo'],
  ['Ctrl+Shift+Z', 'Redo'],
  ['?', 'This list'],
];

const LEGEND = [
  [SIGNS.seen, 'The camera in the picture'],
  [SIGNS.shown, 'Seen in picture and plan: a click hides it'],
  [SIGNS.hidden, 'Hidden: a click shows it'],
];

const TAKES_TEXT = 'input:not([type="checkbox"]):not([type="color"]), select, textarea';
const TAKES_ENTER = 'button, a, [role="button"], summary';
const TEN = 10;

/** What each key does without Ctrl or Alt. @returns {Record<string, (event: KeyboardEvent) => void>} */
const plainKeys = (act) => ({
  ' ': () => act.play(),
  ArrowLeft: (event) => act.step(event.shiftKey ? -TEN : -1),
  ArrowRight: (event) => act.step(event.shiftKey ? TEN : 1),
  '[': () => act.keyBefore(),
  ']': () => act.keyAfter(),
  Enter: () => act.keyPose(),
  Escape: () => act.letGo(),
  Backspace: () => act.removeKeys(),
  o: () => act.operate(),
  c: () => act.centre(),
  t: () => act.swapPlan(),
  m: () => act.mark(),
  g: () => act.ghost(),
  w: () => act.wholeShot(),
  '+': () => act.zoomIn(),
  '=': () => act.zoomIn(),
  '-': () => act.zoomOut(),
  '?': () => act.help(),
});

/** What Ctrl with a key does, or nothing. */
function withControl(act, event, inText) {
  const key = event.key.toLowerCase();
  if (key === 'z') return event.shiftKey ? act.redo : act.undo;
  if (inText || String(getSelection())) return null;
  return { c: act.copy, v: act.paste }[key];
}

function actionOf(act, keys, event) {
  const { target, key } = event;
  const inText = target.closest(TAKES_TEXT);
  if (event.ctrlKey || event.metaKey) return withControl(act, event, inText);
  if (event.altKey || inText || document.querySelector('dialog[open]')) return null;
  if ((key === ' ' || key === 'Enter') && target.closest(TAKES_ENTER)) return null;
  return keys[key] ?? (/^[1-9]$/.test(key) ? () => act.camera(Number(key)) : null);
}

/** @param act what each key does: play, step, key, and so on */
export function listenToKeys(act) {
  const keys = plainKeys(act);
  document.addEventListener('keydown', (event) => {
    const todo = actionOf(act, keys, event);
    if (!todo) return;
    event.preventDefault();
    todo(event);
  });
}

export function fillShortcuts(dialog) {
  dialog.append(
    h('h2', { text: 'Shortcuts' }),
    h('dl', {}, ...LIST.flatMap(([key, what]) => [h('dt', { text: key }), h('dd', { text: what })])),
    h('h3', { text: 'Signs in the list of what is on set' }),
    h('dl', {}, ...LEGEND.flatMap(([d, what]) => [h('dt', {}, sign(d)), h('dd', { text: what })])),
    h(
      'div',
      { class: 'actions' },
      button('Close', () => dialog.close()),
    ),
  );
}
