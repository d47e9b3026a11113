// Making elements.

const SVG = 'http://www.w3.org/2000/svg';

function fill(element, attributes, children) {
  for (const [name, value] of Object.entries(attributes)) {
    if (value === undefined || value === null || value === false) continue;
    if (name.startsWith('on')) element.addEventListener(name.slice(2), value);
    else if (name === 'text') element.textContent = value;
    else if (name === 'value') element.value = value;
    else element.setAttribute(name, value === true ? '' : value);
  }
  element.append(...children.flat().filter((child) => child !== null && child !== undefined && child !== false));
  return element;
}

export const h = (tag, attributes = {}, ...children) => fill(document.createElement(tag), attributes, children);
export const s = (tag, attributes = {}, ...children) => fill(document.createElementNS(SVG, tag), attributes, children);

export const button = (text, onclick, attributes = {}) => h('button', { type: 'button', text, onclick, ...attributes });

/** Makes an element hold just these children; those there already stay untouched, and are not laid out anew. */
export function hold(element, children) {
  const wanted = new Set(children);
  children.forEach((child, i) => {
    const there = element.children[i];
    if (there === child) return;
    if (there && !wanted.has(there)) there.replaceWith(child);
    else element.insertBefore(child, there ?? null);
  });
  while (element.children.length > children.length) element.lastChild.remove();
}
