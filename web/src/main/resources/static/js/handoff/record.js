// What went out and came in, newest first.
import { getJson } from '../common/api.js';
import { h } from '../common/dom.js';

const HEADS = ['File', 'Way', 'Receiver', 'Check', 'Revision', 'By', 'When', 'Left out or changed'];

/** @param {string} text a time in UTC */
const when = (text) => new Date(`${text}Z`).toLocaleString('en-GB', { dateStyle: 'medium', timeStyle: 'short' });

export class Recorded {
  /** @param {import('./desk.js').Desk} desk */
  constructor(desk) {
    this.desk = desk;
    this.body = h('tbody', {});
    const head = h('tr', {}, ...HEADS.map((text) => h('th', { scope: 'col', text })));
    this.table = h('table', { class: 'list', hidden: true }, h('thead', {}, head), this.body);
    const words = 'Nothing yet. Files that are written or brought in are listed here with what they could not hold.';
    this.none = h('p', { class: 'empty', hidden: true, text: words });
    this.root = h('section', { 'aria-label': 'What went out and came in' }, this.none, this.table);
    desk.addEventListener('record', () => this.load());
    this.load();
  }

  async load() {
    const entries = await getJson(`/api/shots/${this.desk.shot}/handoffs`);
    this.none.hidden = entries.length > 0;
    this.table.hidden = entries.length === 0;
    this.body.replaceChildren(...entries.map((entry) => this.row(entry)));
  }

  row(entry) {
    const cell = (text, kind = undefined) => h('td', { class: kind, text });
    return h(
      'tr',
      {},
      cell(entry.fileName),
      cell(entry.direction),
      cell(entry.profile || '–'),
      cell(entry.told || '–'),
      cell(String(entry.revision), 'number'),
      cell(entry.author),
      cell(when(entry.at), 'number'),
      cell(entry.notes.join('; ') || 'nothing'),
    );
  }
}
