// Short messages at the foot of the page, each with an optional thing to do about it.

const LASTS_MS = 3500;
const LASTS_LONGER_MS = 8000; // what went wrong, or asks for a decision

/** @param {string} text @param {{bad?: boolean, action?: string, onAction?: () => any}} [how] */
export function toast(text, { bad = false, action, onAction } = {}) {
  const all = document.getElementById('toasts');
  if (all.lastElementChild?.firstElementChild?.textContent === text) return; // it is being said already
  const line = document.createElement('div');
  line.className = bad ? 'toast-line bad' : 'toast-line';
  line.append(Object.assign(document.createElement('span'), { textContent: text }));
  if (action) {
    const button = Object.assign(document.createElement('button'), { type: 'button', textContent: action });
    button.addEventListener('click', () => {
      line.remove();
      onAction();
    });
    line.append(button);
  }
  all.append(line);
  setTimeout(() => line.remove(), bad || action ? LASTS_LONGER_MS : LASTS_MS);
}
