// Rows of the list dragged onto a null, which then carries them; or onto the free space below, into the world.

const DRAG_STARTS_PX = 6;
const EDGE_PX = 22;
const SLIDE_PX = 9;
const SLIDE_EVERY_MS = 30;

export class SetDrag {
  constructor(desk, list) {
    this.desk = desk;
    this.list = list;
    this.sliding = 0;
    this.dragged = false;
    list.addEventListener('pointerdown', (event) => this.press(event));
  }

  press(event) {
    const id = event.target.closest('.pick')?.closest('li')?.dataset.id;
    if (event.button !== 0 || !id || event.shiftKey || event.ctrlKey || event.metaKey) return;
    const drag = new AbortController();
    const { signal } = drag;
    const from = event.clientY;
    this.dragged = false;
    const move = (e) => {
      if (!this.dragged && Math.abs(e.clientY - from) < DRAG_STARTS_PX) return;
      this.dragged = true;
      this.over(e, id);
    };
    const end = (e) => {
      drag.abort();
      if (this.dragged) this.drop(e, id);
    };
    document.addEventListener('pointermove', move, { signal });
    document.addEventListener('pointerup', end, { signal });
    document.addEventListener('pointercancel', () => this.clear(drag), { signal });
  }

  /** Near its upper or lower edge the list slides, as long as the row is held there. */
  slide({ clientY }) {
    const box = this.list.getBoundingClientRect();
    const way = clientY < box.top + EDGE_PX ? -1 : clientY > box.bottom - EDGE_PX ? 1 : 0;
    clearInterval(this.sliding);
    if (way) this.sliding = setInterval(() => this.list.scrollBy(0, way * SLIDE_PX), SLIDE_EVERY_MS);
  }

  clear(drag) {
    drag?.abort();
    clearInterval(this.sliding);
    this.list.classList.remove('dragging', 'to-world');
    this.list.querySelector('.onto')?.classList.remove('onto');
  }

  /** What is dragged: the row, with all that is selected with it. */
  ids(id) {
    return this.desk.selection().includes(id) ? this.desk.topSelection() : [id];
  }

  /** Where it would go: the id of a null or a piece, empty for the world, null for nowhere. */
  carrierAt(event, id) {
    const at = document.elementFromPoint(event.clientX, event.clientY);
    if (!this.list.contains(at)) return null;
    const row = /** @type {HTMLElement | null} */ (at.closest('li[data-id]'));
    if (!row) return '';
    return this.desk.nodes.mayCarry(row.dataset.id, this.ids(id)) ? row.dataset.id : null;
  }

  over(event, id) {
    this.clear();
    this.slide(event);
    this.list.classList.add('dragging');
    const carrier = this.carrierAt(event, id);
    if (carrier) this.list.querySelector(`[data-id="${carrier}"]`)?.classList.add('onto');
    this.list.classList.toggle('to-world', carrier === '');
  }

  /** The click that follows a drag selects nothing. */
  swallowClick() {
    const swallow = new AbortController();
    addEventListener('click', (event) => event.stopPropagation(), { capture: true, signal: swallow.signal });
    setTimeout(() => swallow.abort());
  }

  drop(event, id) {
    const carrier = this.carrierAt(event, id);
    this.clear();
    this.swallowClick();
    if (carrier !== null) this.desk.nodes.carry(this.ids(id), carrier);
  }
}
