// The settings of the chosen card, at the lower right.
import { h } from '../common/dom.js';
import { CARDS } from './chain.js';
import { carriedPanel } from './panel-carried.js';
import { keysPanel } from './panel-keys.js';
import { lensPanel } from './panel-lens.js';
import { piecePanel } from './panel-piece.js';
import { shotPanel } from './panel-shot.js';

const PANELS = { keys: keysPanel, carried: carriedPanel, lens: lensPanel, piece: piecePanel, shot: shotPanel };

/**
 * A panel gives {title, aside, signature, elements, refresh}. It is built again only when its
 * signature changes, so that a field in use is never taken away.
 */
export class Settings {
  constructor(store, desk, element, options) {
    this.store = store;
    this.desk = desk;
    this.element = element;
    this.options = options;
    const update = () => this.update();
    for (const name of ['shot', 'motion']) store.addEventListener(name, update);
    for (const name of ['frame', 'selection', 'keys', 'loose', 'mode']) desk.addEventListener(name, update);
  }

  update() {
    if (this.asked || !this.store.header) return;
    this.asked = true;
    requestAnimationFrame(() => { this.asked = false; this.show(); });
  }

  show() {
    const { node } = this.desk;
    const card = this.desk.card === 'shot' || !node ? 'shot' : CARDS[node.kind].includes(this.desk.card) ? this.desk.card : 'keys';
    const signature = `${card} ${node?.id} ${PANELS[card].signature(this.store, node)}`;
    if (signature !== this.signature) {
      this.signature = signature;
      this.panel = PANELS[card].build(this.store, this.desk, node, this.options);
      this.element.replaceChildren(h('header', {}, h('h2', { text: this.panel.title }), this.panel.aside ?? null), ...this.panel.elements);
    }
    this.panel.refresh();
  }
}
