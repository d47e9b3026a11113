// The line under the score: what stands loose, what is waited for, what creeps.
import { trimmed } from '../common/format.js';
import { pathName } from '../shot/parts.js';
import { holdUntil } from '../panels/findings.js';

const $ = (id) => document.getElementById(id);

function says(store, desk, [creep, ...others]) {
  if (desk.picking) return `${desk.picking.says}; Esc lets it be`;
  if (desk.tried.now) return 'The move is a ghost beside the dashed path it was: Enter sets it, Esc lets it be';
  if (desk.loose) return `${desk.looseNames()} stands loose at ${desk.loose.frame}: Enter keys it, Esc lets it go`;
  if (!creep) return '';
  const node = store.byId.get(creep.id);
  const more = others.length ? `, and ${others.length} more` : '';
  const name = pathName(node, creep.channel);
  const [from, missing] = [trimmed(creep.from, 2), trimmed(creep.missing, 2)];
  return `${node.name} ${name} creeps from ${from}: it is not keyed at ${missing}${more}`;
}

export function connectNotice(store, desk) {
  const show = () => {
    if (!store.header) return;
    const { creeps } = desk.findings();
    const text = says(store, desk, creeps);
    if ($('notice').textContent !== text) {
      $('notice').textContent = text;
      $('notice').title = text;
    }
    $('notice-line').hidden = text === '';
    $('hold-creep').hidden = Boolean(desk.loose || desk.tried.now || desk.picking) || !creeps.length;
    if (creeps.length) $('hold-creep').textContent = `Hold until ${trimmed(creeps[0].missing, 2)}`;
    document.body.classList.toggle('picking', Boolean(desk.picking));
    $('record').setAttribute('aria-pressed', String(desk.record));
  };
  store.addEventListener('motion', show);
  for (const name of ['mode', 'loose', 'picking']) desk.addEventListener(name, show);
  $('hold-creep').addEventListener('click', () => {
    const [creep] = desk.findings().creeps;
    if (creep) store.edit([holdUntil(creep)]);
  });
}
