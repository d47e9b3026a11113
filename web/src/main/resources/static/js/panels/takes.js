// Takes: who operates by hand, how a take is rolled, and what is done with those that the shot keeps.
import { button, h } from '../common/dom.js';
import { trimmed } from '../common/format.js';
import { menuItem, openMenu } from '../common/menu.js';
import { lengthText } from '../common/units.js';
import { USES } from '../shot/takes.js';
import { choice, labelled, row } from './fields.js';
import { NumberField } from './number-field.js';
import { trackerRows, walkRows } from './takes-sources.js';

const LONGEST_COUNT_IN_S = 10;
const RECORD = { off: 'Record a take', counting: 'Do not begin', rolling: 'End the take', keeping: 'Keeping it' };
const KINDS = ['camera', 'null', 'piece', 'light'];

export const takesPanel = {
  signature: (store, node, desk) => `${desk.camera} ${desk.operation.roll.by}`,

  build(store, desk) {
    const panel = new TakesPanel(store, desk);
    return {
      title: 'Takes',
      aside: panel.says,
      elements: panel.elements(),
      refresh: () => panel.refresh(),
      dispose: () => panel.dispose(),
    };
  },
};

class TakesPanel {
  constructor(store, desk) {
    this.store = store;
    this.desk = desk;
    this.operation = desk.operation;
    this.says = h('small', { class: 'note' });
    this.list = h('ul', { class: 'list takes', 'aria-label': 'Takes of the shot' });
    this.list.addEventListener('focusout', () => this.stale && queueMicrotask(() => this.fill()));
    this.compared = h('p', { class: 'note', role: 'status' });
    this.abort = new AbortController();
    const { signal } = this.abort;
    const { walk, tracker, roll } = this.operation;
    for (const each of [walk, tracker, roll]) each.addEventListener('change', () => this.refresh(), { signal });
    desk.takes.addEventListener('change', () => this.fill(), { signal });
    store.addEventListener('ghost', () => this.fill(), { signal });
    desk.takes.attempt(() => {}); // others may have kept some
  }

  dispose() {
    this.abort.abort();
  }

  /** The node that a take is put to use on: what is selected, or the camera in the picture. */
  target() {
    const { node } = this.desk;
    return node && KINDS.includes(node.kind) ? node : this.store.byId.get(this.desk.camera);
  }

  number(options) {
    return new NumberField({ rate: () => this.store.header.rate, ...options });
  }

  /** What is done often comes first. */
  elements() {
    const { roll } = this.operation;
    const source = roll.by === 'walk' ? walkRows(this) : trackerRows(this);
    const first = [this.byPart(source.go), this.becomesPart(), this.punchPart()];
    this.parts = [...first, source];
    const rows = (parts) => h('div', { class: 'rows' }, ...parts.flatMap((part) => part.rows));
    return [rows(first), this.list, this.compared, rows([source])];
  }

  /** Whether somebody walks, or a tracker is held. */
  byPart(go) {
    const { roll } = this.operation;
    const ways = [
      ['walk', 'Walk', 'Walk the set with keys, the pointer or a game pad'],
      ['tracker', 'Tracker', 'A device that sends OpenTrackIO over UDP to this machine'],
    ];
    const set = (by) => {
      if (roll.state !== 'off') return;
      roll.set({ by });
      this.desk.announce('layout');
    };
    const buttons = ways.map(([by, text, title]) => button(text, () => set(by), { 'data-by': by, title }));
    const group = h('span', { class: 'segments', role: 'group', 'aria-label': 'Who operates' }, ...buttons);
    return {
      rows: [row('By', group, go)],
      refresh: () => buttons.forEach((b) => b.setAttribute('aria-pressed', String(b.dataset.by === roll.by))),
    };
  }

  /** A number of how a take is rolled. */
  rolled(name, options) {
    const { roll } = this.operation;
    return this.number({
      step: 1,
      get: () => roll[name],
      set: (value, done) => {
        if (done) roll.set({ [name]: options.kept(value) });
        return true;
      },
      ...options,
    });
  }

  /** What becomes of a take, and the button that rolls it. */
  becomesPart() {
    const { roll } = this.operation;
    const uses = [['', 'only kept'], ...Object.entries(USES).map(([use, [text]]) => [use, text.toLowerCase()])];
    const becomes = choice('What a take becomes when it is over', uses, (use) => roll.set({ becomes: use }));
    const record = button('Record a take', () => roll.toggle(), { class: 'main', title: 'r' });
    return {
      rows: [row('Becomes', becomes, record)],
      refresh() {
        becomes.value = roll.becomes;
        record.disabled = roll.state === 'keeping';
        record.textContent = RECORD[roll.state];
      },
    };
  }

  /** Which frames are recorded, and how it comes to that. */
  punchPart() {
    const { roll } = this.operation;
    const frames = { quantity: 'frames', unit: 'f', digits: 0 };
    const from = this.rolled('from', { label: 'Punch in at frame', empty: 'first', kept: Math.round, ...frames });
    const to = this.rolled('to', { label: 'Punch out at frame', empty: 'last', kept: Math.round, ...frames });
    const blend = this.rolled('blend', {
      label: 'Blend with what stays before and behind',
      usual: 0,
      kept: (value) => Math.max(0, Math.round(value)),
      ...frames,
    });
    const countIn = this.rolled('countIn', {
      label: 'Count-in',
      quantity: 'plain',
      unit: 's',
      digits: 1,
      usual: 2,
      kept: (value) => Math.max(0, Math.min(LONGEST_COUNT_IN_S, value)),
    });
    const whole = button('Whole shot', () => roll.set({ from: null, to: null }), { title: 'No punch' });
    return {
      rows: [
        row('Punch', labelled('in', from.element), labelled('out', to.element), whole),
        row('Blend', blend.element, labelled('count-in', countIn.element)),
      ],
      refresh() {
        [from, to, blend, countIn].forEach((field) => field.refresh());
        whole.disabled = roll.from === null && roll.to === null;
      },
    };
  }

  refresh() {
    const target = this.target();
    this.says.textContent = target ? `put to use on ${target.name}` : '';
    this.parts.forEach((part) => part.refresh());
    if (this.filled !== target?.id) this.fill();
  }

  /** Lists the takes; not while a name is typed, which would be lost. */
  fill() {
    this.stale = document.activeElement instanceof HTMLInputElement && this.list.contains(document.activeElement);
    if (this.stale) return;
    this.filled = this.target()?.id;
    const { all } = this.desk.takes;
    const none = 'None yet. Record one: it is kept here, and put to use when you say so.';
    this.list.replaceChildren(
      ...(all.length ? all.map((take) => this.take(take)) : [h('li', { class: 'note', text: none })]),
    );
    this.tell();
  }

  take(take) {
    const { takes } = this.desk;
    const { name } = take;
    const shown = takes.isShown(name);
    const show = button(shown ? 'Hide' : 'Show', () => takes.show(name), {
      'aria-pressed': String(shown),
      'aria-label': `${shown ? 'Hide' : 'Show'} ${name}`,
      title: 'Beside the camera, in picture, plan and Curves; two takes beside one another',
    });
    const use = button('Use ▾', () => this.openUses(use, name), {
      'aria-haspopup': 'menu',
      'aria-label': `Use ${name}`,
    });
    const forget = button('Delete', () => takes.forget(name), {
      class: 'quiet danger',
      'aria-label': `Delete ${name}`,
    });
    const { from, to } = takes.stretch(take);
    const facts = `${from}–${to} · ${lengthText(take.pathM, 1)}${take.source === 'tracker' ? ' · tracker' : ''}`;
    const text = h('span', { class: 'what' }, this.nameOf(take), h('small', { text: facts }));
    return h('li', {}, text, show, use, forget, lost(take));
  }

  nameOf({ name }) {
    const input = h('input', { type: 'text', value: name, maxlength: 60, 'aria-label': `Name of ${name}` });
    input.addEventListener('change', () => {
      const to = input.value.trim();
      if (to && to !== name) this.desk.takes.rename(name, to);
      else input.value = name;
    });
    return input;
  }

  openUses(opener, name) {
    const { roll } = this.operation;
    const target = this.target();
    const punch = { ...(roll.from !== null && { from: roll.from }), ...(roll.to !== null && { to: roll.to }) };
    const use = (as) => this.desk.takes.use(target.id, name, as, { ...punch, blend: roll.blend });
    openMenu(
      opener,
      `Use ${name} on ${target.name}`,
      Object.entries(USES)
        .filter(([as]) => as !== 'smoothed' || target.kind !== 'light')
        .map(([as, [text, says]]) => menuItem(text, () => use(as), says)),
    );
  }

  /** How the two that are shown differ. */
  async tell() {
    const asked = (this.asked = {});
    const found = await this.desk.takes.difference().catch(() => null);
    if (asked !== this.asked) return;
    this.compared.textContent = found ? differenceText(found) : '';
  }
}

function differenceText({ from, to, place, turn }) {
  const most = `${lengthText(place.largest, 2)} at ${place.frame} and ${trimmed(turn.largest, 2)}° at ${turn.frame}`;
  const mean = `${lengthText(place.rms, 2)} and ${trimmed(turn.rms, 2)}° on the whole`;
  return `From ${from} to ${to} they are apart by ${most} at most, ${mean}.`;
}

/** What of a take never came, in words. */
function lost({ told, rate }) {
  if (!told.missing && !told.damaged) return null;
  const longest = told.gaps.reduce((most, gap) => (gap[1] > most[1] ? gap : most), [0, 0]);
  const gaps = `${told.missing} of ${told.kept + told.missing} samples missing in ${told.holes} gaps`;
  const worst = `the longest ${longest[1]}, ${trimmed(longest[0] / rate, 2)} s in`;
  const rest = `${told.damaged} damaged, ${told.late} late, ${told.twice} twice, ${told.strays} strays`;
  return h('small', { class: 'lost', text: `${told.missing ? `${gaps}, ${worst}; ` : ''}${rest}` });
}
