// Calls to the server. Every failure becomes a Problem with a sentence an artist can act on.

const JSON_TYPE = 'application/json';

/** @returns {string | undefined} */
const metaOf = (root, name) => root.querySelector(`meta[name="${name}"]`)?.content;

let token = metaOf(document, 'csrf-token');
const tokenHeader = metaOf(document, 'csrf-header');

/** Names this window, so that it can tell its own changes from those of others. */
export const windowName = crypto.randomUUID();

export class Problem extends Error {
  constructor(status, body) {
    super(body.detail ?? body.title ?? 'The server gave no reason');
    this.status = status;
    this.where = body.where;
    this.found = body.found;
    this.allowed = body.allowed;
    this.retry = body.retry === true || status === 0;
  }
}

/** A new id for a change. Sent again with the same id, a change is not made twice. */
export const newRequest = () => crypto.randomUUID();

/** Listeners hear 'logged-out' when the log-in has ended, and 'logged-in' when there is one again. */
export const login = new EventTarget();

const loggedOut = () => new Problem(401, { detail: 'You are logged out; this change waits here', retry: true });

/** A page that has been open for long may hold the token of a session that ended: takes a new one. */
export async function renewToken() {
  const page = await fetch(location.pathname, { headers: { Accept: 'text/html' } });
  const html = new DOMParser().parseFromString(await page.text(), 'text/html');
  if (!page.ok || page.redirected) {
    login.dispatchEvent(new Event('logged-out'));
    throw loggedOut();
  }
  token = metaOf(html, 'csrf-token');
}

function headersOf(method, { body, accept = JSON_TYPE, type = JSON_TYPE, request }) {
  /** @type {Record<string, string>} */
  const headers = { Accept: accept, 'Idle-Lens-Window': windowName };
  if (method !== 'GET' && tokenHeader) headers[tokenHeader] = token;
  if (request) headers['Idle-Lens-Request'] = request;
  if (body !== undefined && !(body instanceof FormData)) headers['Content-Type'] = type;
  return headers;
}

/** What is sent: objects as JSON, all else as it is. */
function sent({ body, type = JSON_TYPE }) {
  const asItIs = body === undefined || body instanceof FormData || type !== JSON_TYPE;
  return asItIs ? body : JSON.stringify(body);
}

const ASKED_AGAIN = 2;
const ASKED_AGAIN_AFTER_MS = 600;
const pause = (ms) =>
  new Promise((resolve) => {
    setTimeout(resolve, ms);
  });

/** Sends a change; where the connection breaks, twice more, since its id makes it one change. */
async function ask(method, path, options, left = method === 'GET' ? 0 : ASKED_AGAIN) {
  try {
    return await fetch(path, { method, headers: headersOf(method, options), body: sent(options) });
  } catch {
    if (left === 0) throw new Problem(0, { detail: 'The server does not answer. It is tried again by itself' });
    await pause(ASKED_AGAIN_AFTER_MS);
    return ask(method, path, options, left - 1);
  }
}

async function problemOf(answer) {
  if (answer.status === 401) {
    login.dispatchEvent(new Event('logged-out'));
    return loggedOut();
  }
  try {
    return new Problem(answer.status, await answer.json());
  } catch {
    return new Problem(answer.status, { detail: `The server answered ${answer.status}` });
  }
}

/** @param {{body?: any, accept?: string, type?: string, request?: string}} options */
async function call(method, path, options = {}, renewed = false) {
  if (method !== 'GET' && !options.request) return call(method, path, { ...options, request: newRequest() });
  const answer = await ask(method, path, options);
  if (answer.ok) return answer;
  const tokenIsOld = method !== 'GET' && !renewed && (answer.status === 401 || answer.status === 403);
  if (!tokenIsOld) throw await problemOf(answer);
  if (answer.status === 403 && (await isRefusal(answer))) throw await problemOf(answer);
  await renewToken();
  return call(method, path, options, true);
}

/** Whether an answer says that somebody may not do something, and not that a form is too old. */
async function isRefusal(answer) {
  const body = await answer
    .clone()
    .json()
    .catch(() => ({}));
  return body.title === 'Not for you';
}

const OCTETS = 'application/octet-stream';
const JPEG = 'image/jpeg';

export const getJson = async (path) => (await call('GET', path)).json();
export const postJson = async (path, body = undefined, request = undefined) => {
  const answer = await call('POST', path, { body, request });
  const text = await answer.text();
  return text ? JSON.parse(text) : null;
};
export const getAnswer = (path, request = undefined) => call('GET', path, { request });
export const getOctets = async (path) => (await call('GET', path, { accept: OCTETS })).arrayBuffer();
export const getBlob = async (path) => (await call('GET', path, { accept: 'image/*' })).blob();
export const postOctets = async (path, body = undefined, request = undefined) =>
  (await call('POST', path, { body, accept: OCTETS, request })).arrayBuffer();
/** Sends a table as text; gets the outcome as octets. */
export const postTable = async (path, body, request = undefined) =>
  (await call('POST', path, { body, accept: OCTETS, type: 'text/csv', request })).arrayBuffer();
export const putJson = (path, body) => call('PUT', path, { body });
export const putPicture = (path, body) => call('PUT', path, { body, type: JPEG });
export const putText = (path, body, type) => call('PUT', path, { body, type });
export const remove = (path) => call('DELETE', path);

/** Says goodbye while the page goes away. */
export const removeOnLeaving = (path) =>
  fetch(path, { method: 'DELETE', keepalive: true, headers: { [tokenHeader]: token } }).catch(() => {});

/** Reads a typed number; the rules for that live on the server. */
export const readQuantity = async (text, kind, rate, unit = '') =>
  (await postJson('/api/quantity', { text, kind, rate, unit })).value;
