// Whose curves are shown: nodes with their keyed channels, each to be dimmed or locked.
import { drawSoon } from '../common/draw-soon.js';
import { lengthText } from '../common/units.js';
import { button, h, s } from '../common/dom.js';
import { KeyChoice } from '../shot/key-choice.js';
import { isLocked, keysOf } from '../shot/keys.js';
import { measured, parameterOf, pathName, pathsOf, takesKeysOf } from '../shot/parts.js';
import { pacedRide, pacePath, rideMetres } from '../shot/rails.js';

export class ChannelList {
  constructor(store, desk, element) {
    this.store = store;
    this.desk = desk;
    this.element = element;
    this.values = [];
    const draw = () => this.ask();
    store.addEventListener('shot', draw);
    for (const name of ['selection', 'layout']) desk.addEventListener(name, draw);
    store.addEventListener('motion', () => this.showValues());
    desk.addEventListener('frame', () => this.showValues());
  }

  ask() {
    if (this.asked || this.desk.view !== 'curves') return;
    this.asked = true;
    drawSoon(this.element, () => {
      this.asked = false;
      if (this.store.header) this.draw();
    });
  }

  draw() {
    const focused = document.activeElement?.getAttribute('data-listed');
    this.values = [];
    this.element.replaceChildren(...this.desk.curveNodes().flatMap((id) => this.node(id)));
    if (focused) this.element.querySelector(`[data-listed="${focused}"]`)?.focus();
    this.showValues();
  }

  node(id) {
    const node = this.store.byId.get(id);
    const pinned = this.desk.pinned.has(id);
    const keyed = pathsOf(node).filter((c) => keysOf(node, c).length);
    return [
      h(
        'li',
        { class: 'of' },
        h('b', { text: node.name }),
        button(pinned ? 'Kept' : 'Keep', () => this.desk.pin(id, !pinned), {
          class: 'quiet',
          'aria-pressed': String(pinned),
          'data-listed': `pin ${id}`,
          title: pinned
            ? `Show the curves of ${node.name} only while it is selected`
            : `Keep the curves of ${node.name} here while another node is selected`,
        }),
      ),
      ...keyed.map((channel) => this.channel(node, channel)),
      keyed.length ? null : h('li', { class: 'none', text: 'no keys yet' }),
    ].filter(Boolean);
  }

  channel(node, channel) {
    const { colour } = parameterOf(node, channel);
    const name = pathName(node, channel);
    const dim = this.desk.dimmed.has(`${node.id} ${channel}`);
    const locked = isLocked(node, channel);
    const value = h('span', { class: 'number' });
    this.values.push(() => {
      const own = this.store.motion.get(node.id)?.own[channel];
      const text = own ? measured(node, channel, this.store.value(this.desk.frame, own)) : '';
      const metres = this.along(node.id, channel);
      value.textContent = metres || text;
      value.title = metres ? `${text} of the stretches between pins` : '';
    });
    const swatch = s(
      'svg',
      { class: `swatch ${colour}`, viewBox: '0 0 18 8', 'aria-hidden': 'true' },
      s('path', { d: 'M0 4H18' }),
    );
    return h(
      'li',
      { class: dim ? 'dim' : '' },
      h(
        'button',
        {
          type: 'button',
          class: 'quiet pick',
          title: `Choose all keys of ${name}`,
          'data-listed': `pick ${node.id} ${channel}`,
          onclick: () =>
            this.desk.chooseKeys(
              KeyChoice.of(
                node.id,
                [channel],
                keysOf(node, channel).map((k) => k[0]),
              ).existing(this.store),
            ),
        },
        swatch,
        h('span', { text: name }),
      ),
      value,
      button(dim ? 'Show' : 'Dim', () => this.desk.dim(node.id, channel, !dim), {
        class: 'quiet',
        'aria-pressed': String(dim),
        'data-listed': `dim ${node.id} ${channel}`,
        'aria-label': `${dim ? 'Show' : 'Dim'} ${node.name} ${name}`,
      }),
      button(locked ? 'Locked' : 'Lock', () => this.lock(node, channel, !locked), {
        class: 'quiet',
        'aria-pressed': String(locked),
        'data-listed': `lock ${node.id} ${channel}`,
        'aria-label': `${locked ? 'Unlock' : 'Lock'} ${node.name} ${name}`,
        title: 'A locked channel is safe from every edit',
      }),
    );
  }

  /** How far along its rail a pace has brought it, or nothing. */
  along(id, channel) {
    const node = this.store.byId.get(id);
    const ride = pacedRide(node);
    if (!ride || channel !== pacePath(ride)) return '';
    return lengthText(rideMetres(this.store, node, ride, this.desk.frame) ?? 0, 2);
  }

  lock(node, channel, on) {
    const takes = takesKeysOf(node);
    const locked = takes.locked.filter((c) => c !== channel);
    this.store.edit([
      {
        edit: 'set-takes-keys',
        id: node.id,
        leftOut: takes.leftOut,
        locked: on ? [...locked, channel] : locked,
      },
    ]);
  }

  showValues() {
    if (this.desk.view === 'curves') this.values.forEach((show) => show());
  }
}
