// What was done, by whom and when; versions by name; two versions side by side.
import { getJson, postJson, remove } from '../common/api.js';
import { button, h } from '../common/dom.js';
import { toast } from '../common/toasts.js';
import { differences } from './history-differences.js';

const AT_FIRST = 60;
const AT_MOST = 500;
const TODAY_MS = 20 * 3600 * 1000;
const clock = new Intl.DateTimeFormat('en-GB', { hour: '2-digit', minute: '2-digit' });
const day = new Intl.DateTimeFormat('en-GB', { day: 'numeric', month: 'short', hour: '2-digit', minute: '2-digit' });

/** Times come in UTC without saying so. */
function when(text) {
  const at = new Date(`${text}Z`);
  return Date.now() - at.getTime() < TODAY_MS ? clock.format(at) : day.format(at);
}

export const historyPanel = {
  signature: () => '',

  build(store) {
    const panel = new HistoryLists(store);
    return {
      title: 'History',
      aside: h('small', { text: 'nothing is ever lost' }),
      elements: [
        h('div', { class: 'row two keep' }, h('span', { text: 'Versions' }), panel.name, panel.keepButton()),
        panel.versions,
        panel.compared,
        h('h3', { text: 'Done' }),
        panel.entries,
      ],
      refresh: () => panel.refresh(),
    };
  },
};

class HistoryLists {
  constructor(store) {
    this.store = store;
    this.entries = h('ul', { class: 'list', 'aria-label': 'What was done' });
    this.versions = h('ul', { class: 'list', 'aria-label': 'Versions' });
    this.compared = h('div', { class: 'compared', role: 'status' });
    this.name = h('input', {
      type: 'text',
      maxlength: '120',
      placeholder: 'name of this state',
      'aria-label': 'Name of the version',
    });
    this.name.addEventListener('keydown', (event) => {
      if (event.key === 'Enter') this.attempt(() => this.keep());
    });
    this.most = AT_FIRST;
    this.shown = '';
  }

  refresh() {
    const { store } = this;
    const state = `${store.revision} ${store.ghosts.map((ghost) => ghost.revision)}`;
    if (this.shown === state || store.before) return;
    this.shown = state;
    this.attempt(() => this.fill());
  }

  /** Does something that the server may refuse. */
  attempt(work) {
    return this.store.attempt(work);
  }

  async fill() {
    const { store } = this;
    const [done, kept] = await Promise.all([
      getJson(store.path(`/history?most=${this.most}`)),
      getJson(store.path('/versions')),
    ]);
    this.fillEntries(done);
    const none = 'None yet. A version is a state you can compare with and come back to.';
    this.versions.replaceChildren(
      ...(kept.length ? kept.map((v) => this.version(v)) : [h('li', { class: 'note', text: none })]),
    );
    await this.tell();
  }

  fillEntries(done) {
    const more = button('Show more', () => {
      this.most = Math.min(AT_MOST, this.most * 3);
      this.attempt(() => this.fill());
    });
    const reachesStart = !done.length || done[done.length - 1].revision <= 2;
    this.entries.replaceChildren(
      ...done.map((e) => this.entry(e)),
      done.length === this.most ? h('li', {}, more) : '',
      reachesStart ? this.made() : '',
    );
  }

  goBackButton(text, revision, attributes) {
    return button(text, () => this.store.goBack(revision), attributes);
  }

  made() {
    const back = { 'aria-label': 'Go back to revision 1' };
    return h(
      'li',
      {},
      h('span', { class: 'what', text: 'The shot was made' }),
      this.store.revision > 1 ? this.goBackButton('Go back', 1, back) : '',
    );
  }

  entry(e) {
    const back = {
      title: `Make the shot as it was at revision ${e.revision}`,
      'aria-label': `Go back to revision ${e.revision}`,
    };
    const isNow = e.revision === this.store.revision;
    return h(
      'li',
      { class: e.state === 'undone' || e.state === 'dropped' ? 'undone' : '' },
      h('span', { class: 'number', text: e.revision }),
      h('span', { class: 'what', text: e.summary, title: e.summary }),
      h('small', { text: `${e.author} ${when(e.at)}` }),
      isNow ? h('small', { class: 'now', text: 'now' }) : this.goBackButton('Go back', e.revision, back),
    );
  }

  version(v) {
    const says = h('small', { text: `revision ${v.revision} · ${when(v.at)}`, title: `Kept by ${v.author}` });
    const back = { 'aria-label': `Restore ${v.name}`, disabled: v.revision === this.store.revision };
    return h(
      'li',
      {},
      h('span', { class: 'what' }, h('b', { text: v.name }), ' ', says),
      this.compareButton(v),
      this.goBackButton('Restore', v.revision, back),
      this.forgetButton(v),
    );
  }

  compareButton(v) {
    const compared = this.isCompared(v);
    return button(compared ? 'Stop' : 'Compare', () => this.attempt(() => this.compare(v)), {
      'data-compare': v.revision,
      'aria-label': `${compared ? 'Stop comparing' : 'Compare'} with ${v.name}`,
      title: this.store.ghosts.length === 1 ? 'Beside the version already shown' : 'Beside this state',
    });
  }

  forgetButton(v) {
    const forget = async () => {
      await remove(this.store.path(`/versions/${v.id}`));
      await this.fill();
    };
    return button('Forget', () => this.attempt(forget), {
      class: 'quiet',
      title: 'Let the name go; the state stays in the history',
      'aria-label': `Forget the name ${v.name}`,
    });
  }

  async keep() {
    await postJson(this.store.path('/versions'), { name: this.name.value, revision: this.store.revision });
    toast(`Kept as “${this.name.value}”`);
    this.name.value = '';
    await this.fill();
  }

  keepButton() {
    return button('Keep this version', () => this.attempt(() => this.keep()), { class: 'main' });
  }

  isCompared(v) {
    return this.store.ghosts.some((ghost) => ghost.revision === v.revision);
  }

  /** One version beside this state; a second one beside the first. */
  async compare(v) {
    const { ghosts } = this.store;
    const others = ghosts.filter((ghost) => ghost.revision !== v.revision);
    await this.store.compare(this.isCompared(v) ? others : [...ghosts.slice(-1), v]);
    await this.fill();
  }

  /** The largest differences between the version compared with and this state. */
  async tell() {
    const [first, second] = this.store.ghosts;
    if (!first?.revision || (second && !second.revision)) {
      this.compared.replaceChildren();
      return;
    }
    const to = second?.revision ?? this.store.revision;
    const found = await getJson(this.store.path(`/difference?from=${first.revision}&to=${to}`));
    this.compared.replaceChildren(...differences(found, first, second));
  }
}
