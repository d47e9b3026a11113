// The recordings that can be taken into a chain, and files that bring more.
import { h } from '../common/dom.js';
import { trimmed } from '../common/format.js';
import { menuItem, openMenu } from '../common/menu.js';
import { toast } from '../common/toasts.js';
import { ENDS } from '../shot/recordings.js';
import { sayProblem } from '../shot/say-problem.js';

/**
 * Offers what the production keeps.
 *
 * @param {import('../shot/desk.js').Desk} desk
 * @param {HTMLElement} opener
 * @param {(part: object) => any} add takes what was chosen
 */
export async function openRecordings(desk, opener, add) {
  const { recordings } = desk;
  const take = (name) => told(async () => add(await recordings.part(name)));
  await told(async () => {
    const all = await recordings.all();
    openMenu(opener, 'Recordings', [
      ...all.map((each) => menuItem(each.name, () => take(each.name), says(each))),
      menuItem(
        'From a file…',
        () => pick((file) => told(() => bring(recordings, file, add))),
        'CSV, or OpenTrackIO lines',
      ),
    ]);
  });
}

const says = ({ rate, samples }) => `${trimmed((samples - 1) / rate, 1)} s at ${trimmed(rate, 2)}/s`;

async function bring(recordings, file, add) {
  const name = await recordings.bringIn(file);
  toast(`${name} is kept by the production`);
  add(await recordings.part(name));
}

async function told(work) {
  try {
    await work();
  } catch (problem) {
    toast(sayProblem(problem));
  }
}

/** Lets a person choose a file. @param {(file: File) => any} take */
function pick(take) {
  const input = h('input', {
    type: 'file',
    accept: ENDS.join(','),
    hidden: '',
    'aria-label': 'File with a recording',
    onchange: () => {
      if (input.files[0]) take(input.files[0]);
      input.remove();
    },
  });
  document.body.append(input);
  input.click();
}
