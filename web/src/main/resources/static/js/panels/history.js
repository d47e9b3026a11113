// What was done, by whom and when; versions by name; two versions side by side.
import { getJson, postJson, Problem, remove } from '../common/api.js';
import { button, h } from '../common/dom.js';
import { degrees, fixed, trimmed } from '../common/format.js';
import { lengthText } from '../common/units.js';
import { toast } from '../common/toasts.js';

const MOST = 60;
const MOST_COMPARED = 8;
const clock = new Intl.DateTimeFormat('en-GB', { hour: '2-digit', minute: '2-digit' });
const day = new Intl.DateTimeFormat('en-GB', { day: 'numeric', month: 'short', hour: '2-digit', minute: '2-digit' });

/** Times come in UTC without saying so. */
function when(text) {
  const at = new Date(`${text}Z`);
  return Date.now() - at < 20 * 3600 * 1000 ? clock.format(at) : day.format(at);
}

export const historyPanel = {
  signature: () => '',

  build(store, desk) {
    const entries = h('ul', { class: 'list', 'aria-label': 'What was done' });
    const versions = h('ul', { class: 'list', 'aria-label': 'Versions' });
    const compared = h('div', { class: 'compared', role: 'status' });
    const name = h('input', {
      type: 'text',
      maxlength: '120',
      placeholder: 'name of this state',
      'aria-label': 'Name of the version',
    });
    const attempt = async (work) => {
      try {
        return await work();
      } catch (problem) {
        if (!(problem instanceof Problem)) throw problem;
        store.announce('refused', problem);
        return null;
      }
    };
    const keep = button(
      'Keep this version',
      () =>
        attempt(async () => {
          await postJson(store.path('/versions'), { name: name.value, revision: store.revision });
          toast(`Kept as “${name.value}”`);
          name.value = '';
          await fill();
        }),
      { class: 'main' },
    );
    let shown = '';
    let more = MOST;

    async function fill() {
      const [done, kept] = await Promise.all([
        getJson(store.path(`/history?most=${more}`)),
        getJson(store.path('/versions')),
      ]);
      entries.replaceChildren(
        ...done.map((e) => entry(e)),
        done.length === more
          ? h(
              'li',
              {},
              button('Show more', () => {
                more = Math.min(500, more * 3);
                fill();
              }),
            )
          : '',
        done.length && done[done.length - 1].revision > 2 ? '' : made(),
      );
      versions.replaceChildren(...kept.map((v) => version(v)));
      if (!kept.length)
        versions.append(
          h('li', { class: 'note', text: 'None yet. A version is a state you can compare with and come back to.' }),
        );
    }

    const made = () =>
      h(
        'li',
        {},
        h('span', { class: 'what', text: 'The shot was made' }),
        store.revision > 1 ? button('Go back', () => goBack(1), { 'aria-label': 'Go back to revision 1' }) : '',
      );

    const goBack = (revision) => store.goBack(revision);

    const entry = (e) =>
      h(
        'li',
        { class: e.state === 'undone' || e.state === 'dropped' ? 'undone' : '' },
        h('span', { class: 'number', text: e.revision }),
        h('span', { class: 'what', text: e.summary, title: e.summary }),
        h('small', { text: `${e.author} ${when(e.at)}` }),
        e.revision === store.revision
          ? h('small', { class: 'now', text: 'now' })
          : button('Go back', () => goBack(e.revision), {
              title: `Make the shot as it was at revision ${e.revision}`,
              'aria-label': `Go back to revision ${e.revision}`,
            }),
      );

    const version = (v) =>
      h(
        'li',
        {},
        h(
          'span',
          { class: 'what' },
          h('b', { text: v.name }),
          ' ',
          h('small', { text: `revision ${v.revision} · ${when(v.at)}`, title: `Kept by ${v.author}` }),
        ),
        button(isCompared(v) ? 'Stop' : 'Compare', () => compare(v), {
          'data-compare': v.revision,
          'aria-label': `${isCompared(v) ? 'Stop comparing' : 'Compare'} with ${v.name}`,
          title: store.ghosts.length === 1 ? 'Beside the version already shown' : 'Beside this state',
        }),
        button('Restore', () => goBack(v.revision), {
          'aria-label': `Restore ${v.name}`,
          disabled: v.revision === store.revision,
        }),
        button(
          'Forget',
          () =>
            attempt(async () => {
              await remove(store.path(`/versions/${v.id}`));
              await fill();
            }),
          {
            class: 'quiet',
            title: 'Let the name go; the state stays in the history',
            'aria-label': `Forget the name ${v.name}`,
          },
        ),
      );

    const isCompared = (v) => store.ghosts.some((ghost) => ghost.revision === v.revision);

    /** One version beside this state; a second one beside the first. */
    const compare = (v) =>
      attempt(async () => {
        await store.compare(
          isCompared(v)
            ? store.ghosts.filter((ghost) => ghost.revision !== v.revision)
            : [...store.ghosts.slice(-1), v],
        );
        await fill();
        await tell();
      });

    /** The largest differences between the version compared with and this state. */
    async function tell() {
      const [first, second] = store.ghosts;
      if (!first) {
        compared.replaceChildren();
        return;
      }
      const other = second ? `“${second.name}”` : 'now';
      const d = await getJson(
        store.path(`/difference?from=${first.revision}&to=${second?.revision ?? store.revision}`),
      );
      const nodes = [...d.nodes].sort(
        (a, b) =>
          b.difference.place.amount + b.difference.turn.amount - a.difference.place.amount - a.difference.turn.amount,
      );
      const peak = (p, show) => (p && p.amount > 1e-6 ? `${show(p.amount)} at ${trimmed(p.frame, 1)}` : '–');
      compared.replaceChildren(
        h('p', {
          class: 'note',
          text: nodes.length
            ? `Largest differences between “${first.name}”${second ? '' : ' (dashed)'} and ${other}:`
            : `Nothing moves or sees differently in “${first.name}” and ${other}.`,
        }),
        nodes.length
          ? h(
              'table',
              {},
              h(
                'thead',
                {},
                h(
                  'tr',
                  {},
                  ...['', 'place', 'turn', 'focal length', 'focus'].map((text) => h('th', { text, scope: 'col' })),
                ),
              ),
              h(
                'tbody',
                {},
                ...nodes
                  .slice(0, MOST_COMPARED)
                  .map(({ name: of, difference: x }) =>
                    h(
                      'tr',
                      {},
                      h('th', { text: of, scope: 'row' }),
                      ...[
                        peak(x.place, metresFine),
                        peak(x.turn, degrees),
                        peak(x.focal, (v) => `${trimmed(v, 2)} mm`),
                        peak(x.focus, lengthText),
                      ].map((text) => h('td', { text })),
                    ),
                  ),
              ),
            )
          : '',
        ...[
          [`Only in ${second ? other : 'this state'}`, d.added],
          [`Only in “${first.name}”`, d.removed],
        ]
          .filter(([, list]) => list.length)
          .map(([text, list]) => h('p', { class: 'note', text: `${text}: ${list.join(', ')}` })),
      );
    }

    return {
      title: 'History',
      aside: h('small', { text: 'nothing is ever lost' }),
      elements: [
        h('div', { class: 'row two keep' }, h('span', { text: 'Versions' }), name, keep),
        versions,
        compared,
        h('h3', { text: 'Done' }),
        entries,
      ],
      refresh() {
        const state = `${store.revision} ${store.ghosts.map((ghost) => ghost.revision)}`;
        if (shown === state || store.before) return;
        shown = state;
        attempt(async () => {
          await fill();
          await tell();
        });
      },
    };
  },
};

const metresFine = (v) => (v < 0.1 ? `${fixed(v * 100, 1)} cm` : lengthText(v));
