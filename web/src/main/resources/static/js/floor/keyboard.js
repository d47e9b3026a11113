// The keys of the Floor, and their list.
import { button, h } from '../common/dom.js';

const LIST = [
  ['Space', 'Play or stop'], ['Left, Right', 'Step a frame (Shift: ten)'], ['[  ]', 'Previous, next key'], ['Enter', 'Key the whole pose'],
  ['Esc', 'Let go of a loose pose, or choose no keys'], ['Backspace', 'Remove keys'], ['1 … 9', 'Camera n in the picture'], ['o', 'Operate'], ['c', 'Centre on the selection; fit the chosen keys'],
  ['t', 'Plan from above, from the side, or from outside'], ['m', 'Mark the playhead, also while playing'], ['g', 'Ghost: a version beside this one'], ['Alt+arrows', 'Move the chosen keys'], ['Shift+click', 'Choose more keys'], ['Ctrl+C, Ctrl+V', 'Copy, paste keys'], ['F2', 'Rename'], ['Ctrl+Z', 'Undo'], ['Ctrl+Shift+Z', 'Redo'], ['?', 'This list'],
];

const TAKES_TEXT = 'input:not([type="checkbox"]):not([type="color"]), select, textarea';
const TAKES_ENTER = 'button, a, [role="button"], summary';

/** @param act what each key does: play, step, key, and so on */
export function listenToKeys(act) {
  document.addEventListener('keydown', (event) => {
    const { target, key } = event;
    const control = event.ctrlKey || event.metaKey;
    if (control && key.toLowerCase() === 'z') { event.preventDefault(); if (event.shiftKey) act.redo(); else act.undo(); return; }
    const copying = control && !target.closest(TAKES_TEXT) && !String(getSelection()) && { c: act.copy, v: act.paste }[key.toLowerCase()];
    if (copying) { event.preventDefault(); copying(); return; }
    if (control || event.altKey || target.closest(TAKES_TEXT) || document.querySelector('dialog[open]')) return;
    if ((key === ' ' || key === 'Enter') && target.closest(TAKES_ENTER)) return;
    const todo = {
      ' ': () => act.play(), ArrowLeft: () => act.step(event.shiftKey ? -10 : -1), ArrowRight: () => act.step(event.shiftKey ? 10 : 1),
      '[': () => act.keyBefore(), ']': () => act.keyAfter(), Enter: () => act.keyPose(), Escape: () => act.letGo(),
      Backspace: () => act.removeKeys(), o: () => act.operate(), c: () => act.centre(), t: () => act.swapPlan(), m: () => act.mark(), g: () => act.ghost(), '?': () => act.help(),
    }[key] ?? (/^[1-9]$/.test(key) ? () => act.camera(Number(key)) : null);
    if (!todo) return;
    event.preventDefault();
    todo();
  });
}

export function fillShortcuts(dialog) {
  dialog.append(h('h2', { text: 'Keys' }), h('dl', {}, LIST.flatMap(([key, what]) => [h('dt', { text: key }), h('dd', { text: what })])),
    h('div', { class: 'actions' }, button('Close', () => dialog.close())));
}
