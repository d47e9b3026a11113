// The page of productions: new, renamed, deleted and put back; their shots; who belongs to them.
import { getJson, postJson, putJson, readQuantity, remove } from './common/api.js';
import { keepLoggedIn } from './common/log-in.js';
import { watched } from './common/progress.js';
import { toast } from './common/toasts.js';

/** Time to read what was done before the page is shown anew. */
const RELOAD_MS = 1500;

/** What the page knows and does. Alpine gives it the elements: $refs. */
class Productions {
  constructor() {
    this.name = '';
    this.rate = '24';
    this.first = '1001';
    this.length = '120f';
    this.handles = '8f';
    this.aspect = '1.7777777777777777';
    this.bringRate = '';
    this.bringFirst = '';
    this.trouble = '';
    this.production = null;
    this.members = [];
    this.manages = false;
    this.title = '';
    this.member = '';
    this.role = 'artist';
  }

  /** The elements that the page names. */
  get elements() {
    return /** @type {any} */ (this).$refs;
  }

  open(dialog) {
    this.trouble = '';
    dialog.showModal();
  }

  close(event) {
    event.target.closest('dialog').close();
  }

  openProduction() {
    this.name = '';
    this.open(this.elements.production);
  }

  openShot(event) {
    this.production = event.currentTarget.dataset.production;
    this.name = 'New shot';
    this.open(this.elements.shot);
  }

  openImport(event) {
    this.production = event.currentTarget.dataset.production;
    this.open(this.elements.bring);
  }

  async openMembers(event) {
    const { production, manages, name } = event.currentTarget.dataset;
    Object.assign(this, { production, manages: manages === 'true', title: `Members of ${name}`, members: [] });
    this.open(this.elements.people);
    await this.attempt(() => this.listMembers());
  }

  async listMembers() {
    const all = await getJson(`/api/productions/${this.production}/members`);
    this.members = all.map((m) => ({ ...m, fixed: !this.manages }));
  }

  path(name) {
    return `/api/productions/${this.production}/members/${encodeURIComponent(name)}`;
  }

  /** Gives somebody a role, who is a member or becomes one. */
  setRole(name, role) {
    return this.attempt(async () => {
      await putJson(this.path(name), { role });
      this.member = '';
      await this.listMembers();
    });
  }

  addMember() {
    return this.setRole(this.member.trim(), this.role);
  }

  changeRole(event) {
    return this.setRole(event.target.dataset.name, event.target.value);
  }

  removeMember(event) {
    const { name } = event.currentTarget.dataset;
    return this.attempt(async () => {
      await remove(this.path(name));
      await this.listMembers();
    });
  }

  async attempt(work) {
    this.trouble = '';
    try {
      await work();
    } catch (problem) {
      this.trouble = problem.message;
    }
  }

  addProduction() {
    return this.attempt(async () => {
      await postJson('/api/productions', { name: this.name });
      location.reload();
    });
  }

  openRename(event) {
    const { production, name } = event.currentTarget.dataset;
    Object.assign(this, { production, name });
    this.open(this.elements.rename);
  }

  renameProduction() {
    return this.attempt(async () => {
      await putJson(`/api/productions/${this.production}`, { name: this.name });
      location.reload();
    });
  }

  async removeProduction(event) {
    const { production, name } = event.currentTarget.dataset;
    const section = event.currentTarget.closest('section');
    const putBack = async () => {
      await postJson(`/api/productions/${production}/restore`);
      section.hidden = false;
    };
    try {
      await remove(`/api/productions/${production}`);
      section.hidden = true;
      toast(`${name} is deleted, with its shots`, { action: 'Put it back', onAction: putBack });
    } catch (problem) {
      toast(problem.message, { bad: true });
    }
  }

  async putBackProduction(event) {
    try {
      await postJson(`/api/productions/${event.currentTarget.dataset.production}/restore`);
      location.reload();
    } catch (problem) {
      toast(problem.message, { bad: true });
    }
  }

  async frames(text, rate) {
    return Math.round(await readQuantity(text, 'frames', rate));
  }

  addShot() {
    return this.attempt(async () => {
      const first = await this.frames(this.first, this.rate);
      const length = await this.frames(this.length, this.rate);
      const shot = await postJson(`/api/productions/${this.production}/shots`, {
        name: this.name,
        rate: this.rate,
        in: first,
        out: first + length - 1,
        handles: await this.frames(this.handles, this.rate),
        aspect: Number(this.aspect),
        newKeys: 'settle',
      });
      location.assign(`/shots/${shot.id}`);
    });
  }

  bringIn() {
    return this.attempt(async () => {
      const form = new FormData();
      for (const file of this.elements.file.files) form.append('file', file);
      if (this.bringRate.trim()) form.append('rate', this.bringRate.trim());
      if (this.bringFirst.trim()) {
        form.append('firstFrame', String(await this.frames(this.bringFirst, this.bringRate || '24')));
      }
      const path = `/api/productions/${this.production}/imports`;
      const made = await watched((request) => postJson(path, form, request));
      location.assign(`/shots/${made.shotId}/hand-off`);
    });
  }

  async setBack(event) {
    const { shot, name } = event.currentTarget.dataset;
    try {
      const made = await postJson(`/api/shots/${shot}/set-back`);
      toast(`${name} is as it was at revision ${made.as}, the last that can be read`);
      setTimeout(() => location.reload(), RELOAD_MS);
    } catch (problem) {
      toast(problem.message, { bad: true });
    }
  }

  async duplicate(event) {
    const { shot, name } = event.currentTarget.dataset;
    try {
      const path = `/api/shots/${shot}/duplicate`;
      await watched((request) => postJson(path, { name: `${name} copy` }, request));
      location.reload();
    } catch (problem) {
      toast(problem.message, { bad: true });
    }
  }

  async remove(event) {
    const { shot, name } = event.currentTarget.dataset;
    const card = event.currentTarget.closest('article');
    const putBack = async () => {
      await postJson(`/api/shots/${shot}/restore`);
      card.hidden = false;
    };
    try {
      await remove(`/api/shots/${shot}`);
      card.hidden = true;
      toast(`${name} is deleted`, { action: 'Put it back', onAction: putBack });
    } catch (problem) {
      toast(problem.message, { bad: true });
    }
  }
}

keepLoggedIn();
document.addEventListener('alpine:init', () =>
  /** @type {any} */ (window).Alpine.data('productions', () => new Productions()),
);
