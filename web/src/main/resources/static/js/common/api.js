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
  token = metaOf(html, 'csrf-token');
}

function headersOf(method, { body, accept = JSON_TYPE, type = JSON_TYPE }) {
  /** @type {Record<string, string>} */
  const headers = { Accept: accept, 'Idle-Lens-Window': windowName };
  if (method !== 'GET' && tokenHeader) headers[tokenHeader] = token;
  if (body !== undefined && !(body instanceof FormData)) headers['Content-Type'] = type;
  return headers;
}

/** What is sent: objects as JSON, all else as it is. */
function sent({ body, type = JSON_TYPE }) {
  const asItIs = body === undefined || body instanceof FormData || type !== JSON_TYPE;
  return asItIs ? body : JSON.stringify(body);
}

async function ask(method, path, options) {
  try {
    return await fetch(path, { method, headers: headersOf(method, options), body: sent(options) });
  } catch {
    throw new Problem(0, { detail: 'The server does not answer. It is tried again by itself' });
  }
}

async function problemOf(answer) {
  if (answer.status === 401) {
    return new Problem(401, { detail: 'You are logged out. Log in again in another tab', retry: true });
  }
  try {
    return new Problem(answer.status, await answer.json());
  } catch {
    return new Problem(answer.status, { detail: `The server answered ${answer.status}` });
  }
}

/** @param {{body?: any, accept?: string, type?: string}} options */
async function call(method, path, options = {}, renewed = false) {
  const answer = await ask(method, path, options);
  if (answer.ok) return answer;
  const tokenIsOld = method !== 'GET' && !renewed && (answer.status === 401 || answer.status === 403);
  if (!tokenIsOld) throw await problemOf(answer);
  await renewToken();
  return call(method, path, options, true);
}

const OCTETS = 'application/octet-stream';
const JPEG = 'image/jpeg';

export const getJson = async (path) => (await call('GET', path)).json();
export const postJson = async (path, body = undefined) => {
  const answer = await call('POST', path, { body });
  const text = await answer.text();
  return text ? JSON.parse(text) : null;
};
export const getAnswer = (path) => call('GET', path);
export const getOctets = async (path) => (await call('GET', path, { accept: OCTETS })).arrayBuffer();
export const postOctets = async (path, body = undefined) =>
  (await call('POST', path, { body, accept: OCTETS })).arrayBuffer();
/** Sends a table as text; gets the outcome as octets. */
export const postTable = async (path, body) =>
  (await call('POST', path, { body, accept: OCTETS, type: 'text/csv' })).arrayBuffer();
export const putPicture = (path, body) => call('PUT', path, { body, type: JPEG });
export const remove = (path) => call('DELETE', path);

/** Says goodbye while the page goes away. */
export const removeOnLeaving = (path) =>
  fetch(path, { method: 'DELETE', keepalive: true, headers: { [tokenHeader]: token } }).catch(() => {});

/** Reads a typed number; the rules for that live on the server. */
export const readQuantity = async (text, kind, rate, unit = '') =>
  (await postJson('/api/quantity', { text, kind, rate, unit })).value;
