// One universe, slot by slot: 512 bars that move, and what each says to its fixture.

import { live, put, putRemarks, remarksOf } from "./live.js";
import { make } from "./svg.js";

const ROWS = 4;
const IN_A_ROW = 128;
const WIDE = 9.6;
const LEFT = 24;
const TALL = 72;
const HIGH = 48;
const ACROSS = 1254;
const RECENT = 20;

let bars = [];
let cursor = 0;
let news = null;

const x = (slot) => LEFT + ((slot - 1) % IN_A_ROW) * WIDE;
const foot = (slot) => Math.floor((slot - 1) / IN_A_ROW) * TALL + HIGH + 4;
const high = (level) => (level * HIGH) / 255;

const band = (group, { first, last, label }) => {
  for (let from = first; from <= last; ) {
    const to = Math.min(last, Math.ceil(from / IN_A_ROW) * IN_A_ROW);
    group.append(make("rect", { class: "listener", x: x(from) + 0.5, y: foot(from) + 2, width: (to - from + 1) * WIDE - 1, height: 13 }));
    if ((to - from + 1) * WIDE > label.length * 7) {
      const words = make("text", { class: "listener-name", x: x(from) + 3, y: foot(from) + 12 });
      words.textContent = label;
      group.append(words);
    }
    from = to + 1;
  }
};

const build = (svg) => {
  svg.querySelectorAll("#levels-blocks g").forEach((g) => {
    band(g, { first: Number(g.dataset.first), last: Number(g.dataset.last), label: g.querySelector("title").textContent });
  });
  for (let row = 0; row < ROWS; row += 1) {
    const first = row * IN_A_ROW + 1;
    const number = make("text", { class: "slot-number", x: LEFT - 3, y: foot(first), "text-anchor": "end" });
    number.textContent = first;
    svg.append(number, make("line", { class: "slot-rule", x1: LEFT, x2: LEFT + IN_A_ROW * WIDE, y1: foot(first), y2: foot(first) }));
  }
  bars = Array.from({ length: ROWS * IN_A_ROW }, (_, i) => {
    const bar = make("rect", { class: "level", x: x(i + 1) + 2, width: WIDE - 4, y: foot(i + 1), height: 0 });
    const extent = make("line", { class: "extent", x1: x(i + 1) + WIDE / 2, x2: x(i + 1) + WIDE / 2, y1: foot(i + 1), y2: foot(i + 1) });
    svg.append(extent, bar);
    return { bar, extent };
  });
  svg.append(make("rect", { id: "slot-cursor", class: "slot-cursor", width: WIDE, height: HIGH + 4, visibility: "hidden" }));
};

const tell = () => {
  if (!cursor || !news?.levels?.length) {
    return;
  }
  const i = cursor - 1;
  const ago = news.movedTenthsAgo[i];
  const since = ago >= 255 ? "stands" : `moved ${(ago / 10).toFixed(1)} s ago`;
  put(document.getElementById("slot-told"), `Slot ${cursor}: ${news.levels[i]}, between ${news.least[i]} and ${news.most[i]}; ${since}.`);
};

const choose = (slot) => {
  cursor = Math.min(512, Math.max(1, slot));
  const mark = document.getElementById("slot-cursor");
  mark.setAttribute("x", x(cursor));
  mark.setAttribute("y", foot(cursor) - HIGH - 4);
  mark.setAttribute("visibility", "visible");
  tell();
};

const steps = { ArrowLeft: -1, ArrowRight: 1, ArrowUp: -IN_A_ROW, ArrowDown: IN_A_ROW };

const handle = (svg) => {
  svg.addEventListener("keydown", (event) => {
    if (steps[event.key]) {
      event.preventDefault();
      choose(cursor + steps[event.key]);
    }
  });
  svg.addEventListener("pointermove", (event) => {
    const box = svg.getBoundingClientRect();
    const scale = ACROSS / box.width;
    const column = Math.floor(((event.clientX - box.left) * scale - LEFT) / WIDE);
    const row = Math.floor(((event.clientY - box.top) * scale) / TALL);
    if (column >= 0 && column < IN_A_ROW && row >= 0 && row < ROWS) {
      choose(row * IN_A_ROW + column + 1);
    }
  });
};

const drawBars = () => {
  bars.forEach(({ bar, extent }, i) => {
    const level = news.levels[i] ?? 0;
    bar.setAttribute("y", foot(i + 1) - high(level));
    bar.setAttribute("height", high(level));
    bar.classList.toggle("moved", (news.movedTenthsAgo[i] ?? 255) < RECENT);
    extent.setAttribute("y1", foot(i + 1) - high(news.least[i] ?? 0));
    extent.setAttribute("y2", foot(i + 1) - high(news.most[i] ?? 0));
  });
};

const nowOf = (channel, as) => (as === "percent" ? `${channel.percent} %` : as === "physical" ? channel.physical || channel.value : channel.value);

const drawChannels = () => {
  const as = document.getElementById("u-show").value;
  const nows = document.querySelectorAll("#listeners [data-now]");
  const whichs = document.querySelectorAll("#listeners [data-which]");
  document.querySelectorAll("#listeners [data-dark]").forEach((cell, i) => put(cell, news.dark[i] ?? ""));
  // The plan changed and the table did not yet: the page is about to be drawn anew.
  if (nows.length === news.channels.length) {
    news.channels.forEach((channel, i) => {
      put(nows[i], nowOf(channel, as));
      put(whichs[i], channel.function);
    });
  }
};

const senderWords = (s, artNet) =>
  `${s.name}${artNet ? "" : `, priority ${s.priority}`}, ${s.rate.toFixed(1)} packets a second of ${s.slots} slots${s.wins ? "" : " (not heard)"}`;

live("#seen-universe", (told) => {
  const svg = document.getElementById("levels");
  if (!svg.querySelector(".level")) {
    build(svg);
    handle(svg);
    document.getElementById("u-show").addEventListener("change", () => news && drawChannels());
  }
  if (!told.listening || !told.universe) {
    put(document.getElementById("u-senders"), told.listening ? "Nobody sends it, and it was not heard before." : "Nobody listens any more.");
    return;
  }
  news = told;
  const { senders, key } = news.universe;
  put(document.getElementById("u-senders"), senders.length ? `From ${senders.map((s) => senderWords(s, key.startsWith("art"))).join("; ")}.` : "Nobody sends it now.");
  putRemarks(document.getElementById("u-remarks"), remarksOf(news.universe));
  drawBars();
  drawChannels();
  tell();
});
