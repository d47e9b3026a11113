// What other windows do: the store hears of it, fetches what changed, and connects again by itself.
import { login, removeOnLeaving, windowName } from '../common/api.js';

const FIRST_PAUSE_MS = 1000;
const LONGEST_PAUSE_MS = 15000;
const FOLLOWS_AFTER_MS = 200;

/** Takes what another window stored; what is loose here is shown again on top. */
async function follow(store, revision) {
  if (revision <= store.revision) return;
  const loose = store.shown?.edits;
  await store.dropShown();
  await store.catchUp();
  if (loose) store.show(loose);
}

const WHY = {
  401: 'You are logged out: others are not heard',
  403: 'You are no longer a member here',
  404: 'This shot was deleted, or you are no longer a member of its production',
};

/** One connection after another, for as long as the page is open. */
class Ears {
  /** @param {import('./shot-store.js').ShotStore} store */
  constructor(store) {
    this.store = store;
    this.address = store.path(`/events?window=${windowName}`);
    this.pause = FIRST_PAUSE_MS;
    this.timer = 0;
    this.source = null;
    this.newest = 0;
    this.followed = 0;
    this.following = 0;
  }

  connect() {
    clearTimeout(this.timer);
    this.source?.close();
    const source = new EventSource(this.address);
    this.source = source;
    source.addEventListener('revision', (event) => this.hear(JSON.parse(event.data)));
    source.addEventListener('people', (event) => this.store.announce('people', JSON.parse(event.data)));
    source.onopen = () => {
      this.pause = FIRST_PAUSE_MS;
      this.store.setConnected(true);
    };
    source.onerror = () => {
      this.store.setConnected(false, 'Not connected; trying again');
      if (source.readyState === EventSource.CLOSED) this.ask();
    };
  }

  /** However fast others work, they are followed a few times a second, each time to the newest. */
  hear({ revision, window }) {
    this.newest = Math.max(this.newest, revision);
    if (window === windowName || this.following) return;
    this.following = setTimeout(
      () => {
        this.following = 0;
        this.followed = performance.now();
        this.store.next(() => follow(this.store, this.newest)).catch(() => {});
      },
      Math.max(0, this.followed + FOLLOWS_AFTER_MS - performance.now()),
    );
  }

  /** The server ended the connection: finds out why, and tries again where that makes sense. */
  async ask() {
    const status = await fetch(this.address, { method: 'HEAD' }).then(
      (answer) => answer.status,
      () => 0,
    );
    this.store.setConnected(false, WHY[status] ?? 'Not connected; trying again');
    if (status === 401) login.dispatchEvent(new Event('logged-out'));
    this.timer = setTimeout(() => this.connect(), this.pause);
    this.pause = Math.min(LONGEST_PAUSE_MS, this.pause * 2);
  }

  close() {
    clearTimeout(this.timer);
    this.source?.close();
  }
}

/** @param {import('./shot-store.js').ShotStore} store */
export function listenToOthers(store) {
  const ears = new Ears(store);
  ears.connect();
  login.addEventListener('logged-in', () => ears.connect());
  addEventListener('pagehide', () => {
    ears.close();
    removeOnLeaving(ears.address);
  });
  addEventListener('pageshow', (event) => {
    if (event.persisted) location.reload();
  });
}
