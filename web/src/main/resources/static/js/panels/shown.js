// Where a node is shown: in views, in the picture, in files; each for itself.
import { h } from '../common/dom.js';
import { EVERYWHERE, hiddenIn } from '../shot/hidden.js';

const SAYS = { views: 'in views', picture: 'in the picture', files: 'in files' };

export function shownPart(store, desk, id) {
  const boxes = EVERYWHERE.map((where) => {
    const box = h('input', {
      type: 'checkbox',
      onchange: () => {
        const hidden = hiddenIn(store.byId.get(id)).filter((each) => each !== where);
        desk.nodes.hide([id], box.checked ? hidden : [...hidden, where]);
      },
    });
    return { where, box, label: h('label', {}, box, SAYS[where]) };
  });
  return {
    rows: [
      h(
        'div',
        { class: 'row one' },
        h('span', { text: 'Shown' }),
        h('span', { class: 'shown' }, ...boxes.map((each) => each.label)),
      ),
    ],
    refresh() {
      const hidden = hiddenIn(store.byId.get(id));
      for (const { where, box } of boxes) box.checked = !hidden.includes(where);
    },
  };
}
