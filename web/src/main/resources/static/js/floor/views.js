// Floor, Curves, Lens or Checks, and from where the plan is seen.
import { toast } from '../common/toasts.js';

const SIDES = ['above', 'side', '3D'];
const CAPTIONS = { above: 'Plan', side: 'Side', '3D': 'Outside' };
const $ = (id) => document.getElementById(id);
const all = (selector) => /** @type {HTMLElement[]} */ ([...document.querySelectorAll(selector)]);

const VIEWS = ['curves', 'lens', 'checks'];

/** Which view an address shows. */
const viewOf = (path) => VIEWS.find((view) => path.endsWith(`/${view}`)) ?? 'floor';

/** The same shot, laid out for another work; the address follows. */
export function connectViews(floor, desk, plan) {
  const show = (view) => {
    floor.dataset.view = view;
    for (const link of all('[data-view-link]')) {
      if (link.dataset.viewLink === view) link.setAttribute('aria-current', 'page');
      else link.removeAttribute('aria-current');
    }
    desk.setView(view);
  };
  const follow = (event) => {
    const link = event.currentTarget;
    if (event.ctrlKey || event.metaKey || event.shiftKey) return;
    event.preventDefault();
    if (link.dataset.viewLink === desk.view) return;
    history.pushState(null, '', link.href);
    show(link.dataset.viewLink);
  };
  for (const link of all('[data-view-link]')) link.addEventListener('click', follow);
  addEventListener('popstate', () => show(viewOf(location.pathname)));
  for (const b of all('[data-side]')) b.addEventListener('click', () => setSide(plan, b.dataset.side));
  return { show, swapSide: () => setSide(plan, SIDES[(SIDES.indexOf(plan.side) + 1) % SIDES.length]) };
}

function setSide(plan, side) {
  try {
    plan.setSide(side);
  } catch {
    toast('This browser has no WebGL, so there is no view from outside', { bad: true });
    plan.setSide('above');
  }
  $('plan-caption').textContent = CAPTIONS[plan.side];
  for (const b of all('[data-side]')) b.setAttribute('aria-pressed', String(b.dataset.side === plan.side));
}
