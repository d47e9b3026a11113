// Logging in again in place, when the log-in of an open page has ended. What was being done waits.
import { login, renewToken } from './api.js';
import { button, h } from './dom.js';

const LOOKS_EVERY_MS = 2000;

let open = false;

/** Tries a name and a password; gives what is wrong, or nothing. */
async function attempt(name, password) {
  const page = await fetch('/login');
  const html = new DOMParser().parseFromString(await page.text(), 'text/html');
  const form = new URLSearchParams({ username: name, password });
  const token = html.querySelector('input[name="_csrf"]');
  form.set('_csrf', token?.getAttribute('value') ?? '');
  const answer = await fetch('/login', { method: 'POST', body: form });
  const said = new URL(answer.url).searchParams;
  if (said.has('wait')) return `Too many wrong passwords. Try again in ${said.get('wait')} s.`;
  return said.has('error') || !answer.ok ? 'That name and password do not go together.' : '';
}

/** Whether there is a log-in, perhaps made in another tab. */
const isBack = () =>
  fetch('/api/running', { headers: { Accept: 'application/json' } })
    .then((answer) => answer.ok)
    .catch(() => false);

function fields() {
  const name = h('input', { type: 'text', name: 'name', autocomplete: 'username', required: true });
  const password = h('input', { type: 'password', name: 'password', autocomplete: 'current-password', required: true });
  return { name, password, trouble: h('p', { class: 'trouble', role: 'alert' }) };
}

function build({ name, password, trouble }, onsubmit, oncancel) {
  return h(
    'dialog',
    { 'aria-label': 'Log in again' },
    h('h2', { text: 'You are logged out' }),
    h('p', {}, h('small', { text: 'Log in here or in another tab: what you were doing waits and goes on.' })),
    h(
      'form',
      { onsubmit },
      h('div', { class: 'grid' }, h('label', { text: 'Name' }), name, h('label', { text: 'Password' }), password),
      trouble,
      h(
        'div',
        { class: 'actions' },
        button('Not now', oncancel),
        h('button', { class: 'main', type: 'submit', text: 'Log in' }),
      ),
    ),
  );
}

async function goOn(dialog) {
  await renewToken();
  dialog.close();
  login.dispatchEvent(new Event('logged-in'));
}

/** Asks once, however many calls found out that the log-in has ended. */
function ask() {
  if (open) return;
  open = true;
  const parts = fields();
  const dialog = build(
    parts,
    async (event) => {
      event.preventDefault();
      parts.trouble.textContent = await attempt(parts.name.value, parts.password.value).catch(
        () => 'The server does not answer. Try again.',
      );
      if (!parts.trouble.textContent) await goOn(dialog).catch(() => {});
    },
    () => dialog.close(),
  );
  const look = setInterval(
    () => isBack().then((back) => back && dialog.open && goOn(dialog).catch(() => {})),
    LOOKS_EVERY_MS,
  );
  dialog.addEventListener('close', () => {
    clearInterval(look);
    dialog.remove();
    open = false;
  });
  document.body.append(dialog);
  dialog.showModal();
  parts.name.focus();
}

/** From now on this page asks for a new log-in in place. */
export function keepLoggedIn() {
  login.addEventListener('logged-out', ask);
}
