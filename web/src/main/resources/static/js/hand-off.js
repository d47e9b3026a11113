// The view of hand-offs: files out, files in, what receivers want, and what went before.
import { h } from './common/dom.js';
import { keepLoggedIn } from './common/log-in.js';
import { Bringing } from './handoff/bringing.js';
import { Comparing } from './handoff/comparing.js';
import { Desk } from './handoff/desk.js';
import { Receivers } from './handoff/receivers.js';
import { Recorded } from './handoff/record.js';
import { Sending } from './handoff/sending.js';

const VIEWS = [
  { id: 'out', text: 'Send out', Panel: Sending },
  { id: 'in', text: 'Bring in', Panel: Bringing },
  { id: 'compare', text: 'Compare', Panel: Comparing },
  { id: 'receivers', text: 'Receivers', Panel: Receivers },
  { id: 'record', text: 'What went out and came in', Panel: Recorded },
];

const WITH_CAMERAS = new Set(['out', 'compare']);

class HandOffPage {
  /** @param {Desk} desk */
  constructor(desk) {
    this.panels = new Map(VIEWS.map(({ id, Panel }) => [id, new Panel(desk)]));
    this.tabs = VIEWS.map(({ id, text }) => this.tab(id, text));
    this.body = h('div', { role: 'tabpanel', id: 'hand-off-view' });
    this.root = h('div', {}, h('div', { class: 'desk-tabs', role: 'tablist' }, ...this.tabs), this.body);
    const asked = location.hash.slice(1);
    desk.addEventListener('cameras', () => this.renew(desk));
    this.show(this.panels.has(asked) ? asked : 'out');
  }

  tab(id, text) {
    return h('button', {
      type: 'button',
      role: 'tab',
      text,
      'data-view': id,
      'aria-controls': 'hand-off-view',
      onclick: () => this.show(id),
    });
  }

  /** Panels that list cameras are made anew, but for the one that is in hand. */
  renew(desk) {
    VIEWS.filter(({ id }) => WITH_CAMERAS.has(id) && id !== this.shown).forEach(({ id, Panel }) =>
      this.panels.set(id, new Panel(desk)),
    );
  }

  show(id) {
    this.shown = id;
    this.tabs.forEach((tab) => tab.setAttribute('aria-selected', String(tab.dataset.view === id)));
    const panel = this.panels.get(id);
    this.body.replaceChildren(panel.root);
    if ('shown' in panel) panel.shown();
    history.replaceState(null, '', `#${id}`);
  }
}

keepLoggedIn();
const root = document.getElementById('hand-off');
const desk = new Desk(root);
await desk.load();
root.append(new HandOffPage(desk).root);
root.dataset.ready = 'true';
