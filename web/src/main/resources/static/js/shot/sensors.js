// Sensors to choose from: those with a common name, and those that the production keeps. Asked for when first needed.
import { getJson, putJson, remove } from '../common/api.js';

/** @typedef {{name: string, kept: boolean, sensorMm: number[]}} Sensor */

export class Sensors {
  constructor(production) {
    this.path = `/api/productions/${production}/sensors`;
    /** @type {Sensor[]} */
    this.all = [];
  }

  /** Those that there are now. @returns {Promise<Sensor[]>} */
  async load() {
    this.all = await getJson(this.path);
    return this.all;
  }

  /** The one of that size, or undefined. @param {number[]} sensorMm */
  of([width, height]) {
    return this.all.find(({ sensorMm }) => sensorMm[0] === width && sensorMm[1] === height);
  }

  async keep(name, sensorMm) {
    await putJson(`${this.path}/${encodeURIComponent(name)}`, { sensorMm });
    await this.load();
  }

  async forget(name) {
    await remove(`${this.path}/${encodeURIComponent(name)}`);
    await this.load();
  }
}
