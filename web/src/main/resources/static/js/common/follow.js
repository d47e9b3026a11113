// Following a pointer until it is let go.

/**
 * @param {SVGElement} svg
 * @param {PointerEvent} event the press
 * @param {(event: PointerEvent) => void} move
 * @param {(event: PointerEvent) => void} [end]
 * @param {(event: PointerEvent) => void} [cancel]
 */
export function follow(svg, event, move, end, cancel = end) {
  event.preventDefault();
  svg.setPointerCapture(event.pointerId);
  const drag = new AbortController();
  const { signal } = drag;
  const ending = (then) => (e) => {
    drag.abort();
    then?.(e);
  };
  svg.addEventListener('pointermove', move, { signal });
  svg.addEventListener('pointerup', ending(end), { signal });
  svg.addEventListener('pointercancel', ending(cancel), { signal });
}
