// In the Curves view the score shows the frames that the graph shows, each below where it stands there.

const AIR = 0.03; // what the graph shows beyond both ends of a stretch

export class LinkedRulers {
  constructor(desk, graph, score) {
    this.desk = desk;
    this.graph = graph;
    this.score = score;
    graph.addEventListener('scale', () => this.lineUp());
    score.addEventListener('scale', () => this.lead());
    desk.addEventListener('layout', () => this.part());
  }

  get isLinked() {
    return this.desk.view === 'curves';
  }

  /** The score follows the graph. */
  lineUp() {
    if (!this.isLinked) return;
    const { desk, graph, score } = this;
    const [from, to] = [Math.max(desk.first(), graph.scale.frames[0]), Math.min(desk.last(), graph.scale.frames[1])];
    if (to <= from) return;
    const aside = graph.svg.getBoundingClientRect().left - score.svg.getBoundingClientRect().left;
    score.scale.setEdges(aside + graph.scale.x(from), aside + graph.scale.x(to));
    score.scale.look(from, to);
    score.ask();
  }

  /** The graph follows the score, where that is zoomed or slid. */
  lead() {
    if (!this.isLinked) return;
    const { from, to } = this.score.scale;
    const air = (to - from) * AIR;
    this.graph.scale.frames = [from - air, to + air];
    this.graph.ask();
  }

  /** On the Floor the score stands by itself. */
  part() {
    if (this.isLinked) return;
    this.score.scale.setEdges();
    this.score.ask();
  }
}
