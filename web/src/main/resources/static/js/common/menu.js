// A menu below what opened it: arrows walk through it, Escape and a press elsewhere close it.
import { h } from './dom.js';

/** @type {{element: HTMLElement, away: AbortController} | null} */
let open = null;

/** Closes the menu that is open. */
export function closeMenu() {
  open?.element.remove();
  open?.away.abort();
  open = null;
}

function walk(event, anchor) {
  event.stopPropagation();
  const items = /** @type {HTMLElement[]} */ ([...open.element.querySelectorAll('button')]);
  const at = items.indexOf(/** @type {HTMLElement} */ (document.activeElement));
  const way = { ArrowDown: 1, ArrowUp: -1 }[event.key];
  if (event.key === 'Escape') {
    closeMenu();
    anchor.focus();
  } else if (way) {
    event.preventDefault();
    items[(at + way + items.length) % items.length].focus();
  }
}

/** Keeps the menu in sight: below its anchor, or above where there is no room. */
function place(element, anchor) {
  const box = anchor.getBoundingClientRect();
  const size = element.getBoundingClientRect();
  const below = box.bottom + 2 + size.height < innerHeight;
  element.style.left = `${Math.max(4, Math.min(box.left, innerWidth - size.width - 4))}px`;
  element.style.top = `${below ? box.bottom + 2 : Math.max(4, box.top - size.height - 2)}px`;
}

/**
 * @param {HTMLElement} anchor what opens it
 * @param {string} label
 * @param {any[]} items elements; buttons made by menuItem close it
 */
export function openMenu(anchor, label, items) {
  closeMenu();
  const element = h('div', { class: 'menu', role: 'menu', 'aria-label': label }, ...items);
  const away = new AbortController();
  open = { element, away };
  document.body.append(element);
  place(element, anchor);
  element.querySelector('button')?.focus();
  element.addEventListener('keydown', (event) => walk(event, anchor));
  const outside = (event) => {
    if (!element.contains(event.target)) closeMenu();
  };
  document.addEventListener('pointerdown', outside, { signal: away.signal });
}

/** Something to choose in a menu, with a line on what it does if wanted. */
export const menuItem = (text, onclick, says = '') =>
  h(
    'button',
    {
      type: 'button',
      role: 'menuitem',
      onclick: () => {
        closeMenu();
        onclick();
      },
    },
    text,
    says ? h('small', { text: says }) : null,
  );
