// What the view of hand-offs knows: the shot, what can be chosen, and the profiles of the production.
import { getJson } from '../common/api.js';

/**
 * @typedef {{id: string, label: string, written: boolean, nodes: boolean, endings: string[]}} Format
 * @typedef {{id: string, label: string, rightHanded: boolean, columns: number[][]}} Axes
 * @typedef {Record<string, any>} Profile
 */

export class Desk extends EventTarget {
  /** @param {HTMLElement} root */
  constructor(root) {
    super();
    const { shot, production, in: first, out: last, handles, rate } = root.dataset;
    this.shot = shot;
    this.production = production;
    this.range = { in: Number(first), out: Number(last) };
    this.handles = Number(handles);
    this.rate = rate;
    const options = root.querySelector('template').content.querySelectorAll('option');
    this.cameras = [...options].map((o) => ({ id: o.value, name: o.textContent }));
    /** @type {{frame: number, camera: string, dissolve?: number}[]} */
    this.program = []; // of the shot
    /** @type {Profile[]} */
    this.profiles = [];
    /** @type {{formats: Format[], axes: Axes[], orders: any[], lens: any[]}} */
    this.choices = { formats: [], axes: [], orders: [], lens: [] };
  }

  async load() {
    this.choices = await getJson('/api/hand-off/choices');
    await this.loadProfiles();
    this.program = (await getJson(`/api/shots/${this.shot}`)).program ?? [];
  }

  async loadProfiles() {
    this.profiles = await getJson(`/api/productions/${this.production}/profiles`);
    this.dispatchEvent(new Event('profiles'));
  }

  profile(name) {
    return this.profiles.find((p) => p.name === name);
  }

  axes(id) {
    return this.choices.axes.find((a) => a.id === id);
  }

  /** Something went out or came in; then there may be other cameras. */
  async changed() {
    this.dispatchEvent(new Event('record'));
    const { nodes } = await getJson(`/api/shots/${this.shot}`);
    const cameras = nodes.filter((n) => n.kind === 'camera').map(({ id, name }) => ({ id, name }));
    const same = JSON.stringify(cameras) === JSON.stringify(this.cameras);
    if (same) return;
    this.cameras = cameras;
    this.dispatchEvent(new Event('cameras'));
  }
}
