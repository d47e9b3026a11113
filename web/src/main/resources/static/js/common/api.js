// Calls to the server. Every failure becomes a Problem with a sentence an artist can act on.

let token = document.querySelector('meta[name="csrf-token"]')?.content;
const tokenHeader = document.querySelector('meta[name="csrf-header"]')?.content;

/** Names this window, so that it can tell its own changes from those of others. */
export const windowName = crypto.randomUUID();

export class Problem extends Error {
  constructor(status, body) {
    super(body.detail ?? body.title ?? 'The server gave no reason');
    this.status = status;
    this.where = body.where;
    this.allowed = body.allowed;
    this.retry = body.retry === true || status === 0;
  }
}

/** A page that has been open for long may hold the token of a session that ended: takes a new one. */
async function renewToken() {
  const page = await fetch(location.pathname, { headers: { Accept: 'text/html' } });
  const html = new DOMParser().parseFromString(await page.text(), 'text/html');
  if (!page.ok || page.redirected)
    throw new Problem(401, {
      detail: 'You are logged out. Log in again in another tab; this change waits here',
      retry: true,
    });
  token = html.querySelector('meta[name="csrf-token"]').content;
}

async function call(method, path, options = {}, renewed = false) {
  const { body, accept = 'application/json', type = 'application/json' } = options;
  const headers = { Accept: accept, 'Idle-Lens-Window': windowName };
  if (method !== 'GET' && tokenHeader) headers[tokenHeader] = token;
  if (body !== undefined && !(body instanceof FormData)) headers['Content-Type'] = type;
  let answer;
  try {
    answer = await fetch(path, {
      method,
      headers,
      body: body === undefined || body instanceof FormData || type !== 'application/json' ? body : JSON.stringify(body),
    });
  } catch {
    throw new Problem(0, { detail: 'The server does not answer. It is tried again by itself' });
  }
  if (answer.ok) return answer;
  if (method !== 'GET' && !renewed && (answer.status === 401 || answer.status === 403)) {
    await renewToken();
    return call(method, path, options, true);
  }
  if (answer.status === 401)
    throw new Problem(401, { detail: 'You are logged out. Log in again in another tab', retry: true });
  let problem = {};
  try {
    problem = await answer.json();
  } catch {
    problem = { detail: `The server answered ${answer.status}` };
  }
  throw new Problem(answer.status, problem);
}

const OCTETS = 'application/octet-stream';

export const getJson = async (path) => (await call('GET', path)).json();
export const postJson = async (path, body) => {
  const answer = await call('POST', path, { body });
  const text = await answer.text();
  return text ? JSON.parse(text) : null;
};
export const getAnswer = (path) => call('GET', path);
export const getOctets = async (path) => (await call('GET', path, { accept: OCTETS })).arrayBuffer();
export const postOctets = async (path, body) => (await call('POST', path, { body, accept: OCTETS })).arrayBuffer();
/** Sends a table as text; gets the outcome as octets. */
export const postTable = async (path, body) =>
  (await call('POST', path, { body, accept: OCTETS, type: 'text/csv' })).arrayBuffer();
export const remove = (path) => call('DELETE', path);

/** Says goodbye while the page goes away. */
export const removeOnLeaving = (path) =>
  fetch(path, { method: 'DELETE', keepalive: true, headers: { [tokenHeader]: token } }).catch(() => {});

/** Reads a typed number; the rules for that live on the server. */
export const readQuantity = async (text, kind, rate, unit = '') =>
  (await postJson('/api/quantity', { text, kind, rate, unit })).value;
