// Re-timing: stretch, ripple, speed ramp, frame rate.
import { h } from '../common/dom.js';
import { choice, row } from './fields.js';
import { longerPart } from './timing-longer.js';
import { ratePart } from './timing-rate.js';
import { rampPart } from './timing-ramp.js';
import { TimingRequest } from './timing-request.js';
import { ripplePart, stretchPart } from './timing-stretch.js';

const PARTS = {
  longer: ['Make it longer', longerPart],
  stretch: ['Stretch a range', stretchPart],
  ripple: ['Ripple', ripplePart],
  ramp: ['Speed ramp', rampPart],
  rate: ['Convert the frame rate', ratePart],
};

const request = new TimingRequest();

export const timingPanel = {
  signature: (store, node, desk) =>
    `${request.way} ${request.of} ${store.header.in} ${store.header.out} ${desk.selected}`,

  build(store, desk, node) {
    const asked = request.forDesk(store, desk, node);
    const way = choice(
      'What is done to the time',
      Object.entries(PARTS).map(([name, [text]]) => [name, text]),
      (to) => asked.change({ way: to }),
    );
    way.value = asked.way;
    const of = choice(
      'Whose keys',
      [
        ['all', 'everything'],
        ['rig', 'the rig of the selected node'],
        ['one', node ? `${node.name} alone` : 'the selected node'],
      ],
      (to) => asked.change({ of: to }),
    );
    of.value = asked.of;
    const part = PARTS[asked.way][1](asked, store, desk);
    return {
      title: 'Timing',
      aside: part.says,
      elements: [
        h('div', { class: 'rows' }, row('Do', way, 'rate longer'.includes(asked.way) ? h('span') : of), ...part.rows),
      ],
      refresh() {
        part.refresh();
      },
      dispose: part.dispose,
    };
  },
};
