// The panel at the lower right: settings of the chosen card, and what works on keys, time and history.
import { drawSoon } from '../common/draw-soon.js';
import { button, h } from '../common/dom.js';
import { units } from '../common/units.js';
import { partOf } from '../shot/parts.js';
import { aimPanel } from './aim.js';
import { backplatePanel } from './backplate.js';
import { carriedPanel } from './carried.js';
import { chosenPanel } from './chosen.js';
import { findingsPanel } from './findings.js';
import { frameTab, frameUpPanel } from './frame-up.js';
import { historyPanel } from './history.js';
import { keysPanel } from './keys.js';
import { hazePanel, lightPanel, mistPanel } from './light-and-air.js';
import { lensPanel } from './lens.js';
import { markersPanel } from './markers.js';
import { movePanel } from './move.js';
import { partPanel } from './part-panel.js';
import { piecePanel } from './piece.js';
import { railPanel } from './rail.js';
import { recordedPanel } from './recorded.js';
import { repeatPanel } from './repeat.js';
import { ridePanel } from './ride.js';
import { rigPanel } from './rig.js';
import { runInPanel } from './run-in.js';
import { shakePanel } from './shake.js';
import { shotPanel } from './shot.js';
import { smoothPanel } from './smooth.js';
import { takesPanel } from './takes.js';
import { timingPanel } from './timing.js';
import { toolsPanel } from './tools.js';
import { visiblePanel } from './visible.js';

/** Panels by kind of part; parts without one of their own have that of all parts. */
const PART_PANELS = {
  keys: keysPanel,
  move: movePanel,
  ride: ridePanel,
  carried: carriedPanel,
  aim: aimPanel,
  'frame-up': frameUpPanel,
  shake: shakePanel,
  recorded: recordedPanel,
  smooth: smoothPanel,
  'run-in': runInPanel,
  lens: lensPanel,
  visible: visiblePanel,
  backplate: backplatePanel,
};
/** Panels of what a node is, by its kind. */
const LOOK_PANELS = {
  piece: piecePanel,
  sun: piecePanel,
  rail: railPanel,
  repeat: repeatPanel,
  light: lightPanel,
  mist: mistPanel,
  haze: hazePanel,
};
const TABS = {
  card: ['Settings'],
  chosen: ['Keys', chosenPanel],
  tools: ['Tools', toolsPanel],
  rig: ['Rig', rigPanel],
  frame: ['Frame', frameTab],
  takes: ['Takes', takesPanel],
  timing: ['Timing', timingPanel],
  findings: ['Findings', findingsPanel],
  markers: ['Markers', markersPanel],
  history: ['History', historyPanel],
};

/**
 * A panel gives {title, aside, elements, refresh}. It is built again only when its signature
 * changes, so that a field in use is never taken away.
 */
export class Settings {
  constructor(store, desk, element) {
    this.store = store;
    this.desk = desk;
    this.element = element;
    this.body = h('div', { class: 'body', role: 'tabpanel', 'aria-labelledby': 'tab-card', id: 'panel' });
    this.tabs = h(
      'div',
      { class: 'tabs', role: 'tablist', 'aria-label': 'What the panel shows' },
      ...Object.entries(TABS).map(([name, [text]]) =>
        button(text, () => desk.showTab(name), {
          role: 'tab',
          id: `tab-${name}`,
          'data-tab': name,
          'aria-controls': 'panel',
        }),
      ),
    );
    this.tabs.addEventListener('keydown', (event) => this.arrows(event));
    units.addEventListener('length', () => this.update());
    element.replaceChildren(this.tabs, this.body);
    const update = () => this.update();
    for (const name of ['shot', 'motion', 'ghost']) store.addEventListener(name, update);
    desk.effects.addEventListener('effect', update);
    for (const name of ['frame', 'selection', 'keys', 'loose', 'mode', 'layout']) desk.addEventListener(name, update);
  }

  arrows(event) {
    const way = { ArrowLeft: -1, ArrowRight: 1 }[event.key];
    if (!way) return;
    event.preventDefault();
    event.stopPropagation();
    const names = Object.keys(TABS);
    const name = names[(names.indexOf(this.desk.tab) + way + names.length) % names.length];
    this.desk.showTab(name);
    this.tabs.querySelector(`[data-tab="${name}"]`).focus();
  }

  update() {
    if (this.asked || !this.store.header) return;
    this.asked = true;
    drawSoon(this.element, () => {
      this.asked = false;
      this.show();
    });
  }

  chosen() {
    const { node } = this.desk;
    if (this.desk.tab !== 'card') return { name: this.desk.tab, panel: TABS[this.desk.tab][1] };
    const { card } = this.desk;
    if (card === 'shot' || !node) return { name: 'shot', panel: shotPanel };
    if (card === 'piece' && node.kind in LOOK_PANELS) return { name: card, panel: LOOK_PANELS[node.kind] };
    const part = partOf(node, card) ?? partOf(node, 'keys');
    this.desk.card = part.id ?? part.part;
    return { name: this.desk.card, panel: PART_PANELS[part.part] ?? partPanel };
  }

  show() {
    const { node } = this.desk;
    const { name, panel } = this.chosen();
    const signature = `${name} ${node?.id} ${panel.signature(this.store, node, this.desk)}`;
    if (signature !== this.signature) {
      this.signature = signature;
      this.panel?.dispose?.();
      this.panel = panel.build(this.store, this.desk, node);
      this.body.replaceChildren(
        h('header', {}, h('h2', { text: this.panel.title }), this.panel.aside ?? ''),
        ...this.panel.elements,
      );
      this.body.setAttribute('aria-labelledby', `tab-${this.desk.tab}`);
    }
    for (const tab of this.tabs.children) {
      const on = tab.dataset.tab === this.desk.tab;
      tab.setAttribute('aria-selected', String(on));
      tab.tabIndex = on ? 0 : -1;
    }
    const count = this.desk.findings().count;
    this.tabs.querySelector('[data-tab="findings"]').textContent = count ? `Findings ${count}` : 'Findings';
    this.panel.refresh();
  }
}
