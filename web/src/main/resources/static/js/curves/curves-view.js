// The Curves view: graph, its tools, and the list of channels.
import { ChannelList } from './channel-list.js';
import { Graph } from './graph.js';
import { paceMeasure } from './pace-measure.js';

export class CurvesView {
  /** @param element the section with the graph and its tools */
  constructor(store, desk, { element, list }) {
    this.desk = desk;
    this.graph = new Graph(store, desk, {
      svg: element.querySelector('svg.graph'),
      under: element.querySelector('svg.graph-under'),
    });
    this.list = new ChannelList(store, desk, list);
    this.panes = new Set();
    const { graph } = this;
    const on = (name, todo) =>
      element.querySelector(`[data-tool="${name}"]`).addEventListener('click', (event) => {
        todo(event.currentTarget);
      });
    const toggled = (button) => {
      const is = button.getAttribute('aria-pressed') !== 'true';
      button.setAttribute('aria-pressed', String(is));
      return is;
    };
    for (const mode of ['move', 'scale']) on(mode, () => this.setMode(element, mode));
    for (const pane of ['speed', 'acceleration']) on(pane, (button) => this.togglePane(pane, toggled(button)));
    on('snap-frames', (button) => {
      graph.snapFrames = toggled(button);
    });
    on('snap-keys', (button) => {
      graph.snapKeys = toggled(button);
    });
    on('metres', (button) => {
      graph.inMetres = toggled(button);
      graph.ask();
    });
    const metres = element.querySelector('[data-tool="metres"]');
    const offer = () => {
      metres.hidden = !paceMeasure(store, desk.curveNodes());
    };
    store.addEventListener('motion', offer);
    for (const name of ['selection', 'layout']) desk.addEventListener(name, offer);
    on('fit', () => graph.fit());
    on('fit-chosen', () => graph.fit(true));
    desk.addEventListener('layout', () => {
      if (desk.view === 'curves' && !this.open) {
        this.open = true;
        graph.measure();
        graph.fit();
      } else if (desk.view !== 'curves') {
        this.open = false;
        graph.told = '';
      }
    });
  }

  /** Shows or takes away a pane, once what it draws is here. */
  async togglePane(pane, shown) {
    if (shown) this.panes.add(pane);
    else this.panes.delete(pane);
    await this.desk.drawSlopes(this.panes.size > 0);
    this.graph.setPanes(['speed', 'acceleration'].filter((p) => this.panes.has(p)));
  }

  setMode(element, mode) {
    this.graph.mode = mode;
    this.graph.pivot = null;
    element
      .querySelectorAll('[data-tool="move"], [data-tool="scale"]')
      .forEach((b) => b.setAttribute('aria-pressed', String(b.dataset.tool === mode)));
    this.graph.ask();
  }
}
