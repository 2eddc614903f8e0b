// Zooming the drawing of the rig; what has become large enough to be read gets its labels.

import { add, make } from "./svg.js";

const READABLE = 18;
const ROOM_FOR_ADDRESS = 42;
const TEXT = 12;

/** True for a unit that is drawn small: a box alone. */
export const isBox = (unit) => unit.localName === "rect";

/** The middle of a unit inside its group. */
export const place = (unit) =>
  isBox(unit)
    ? [Number(unit.getAttribute("x")) + Number(unit.getAttribute("width")) / 2, Number(unit.getAttribute("y")) + Number(unit.getAttribute("height")) / 2]
    : unit.getAttribute("transform").match(/-?[\d.]+/g).map(Number);

/** Pixels of a unit of the drawing. */
export const factor = (svg) => svg.width.baseVal.value / svg.viewBox.baseVal.width;

const look = (svg, x, y, width) => {
  const whole = svg.width.baseVal.value;
  const wanted = Math.min(whole, Math.max(whole / 64, width));
  const height = (svg.height.baseVal.value * wanted) / whole;
  const clamp = (value, most) => Math.max(0, Math.min(value, most));
  svg.setAttribute("viewBox", `${clamp(x, whole - wanted)} ${clamp(y, svg.height.baseVal.value - height)} ${wanted} ${height}`);
  label(svg);
};

export const zoom = (svg, by, x, y) => {
  const view = svg.viewBox.baseVal;
  const width = view.width / by;
  const height = view.height / by;
  look(svg, x - ((x - view.x) / view.width) * width, y - ((y - view.y) / view.height) * height, width);
};

const text = (words, classes, y, size) =>
  make("text", { class: classes, "text-anchor": "middle", transform: `translate(0,${y}) scale(${size / TEXT})` }, words);

/** The mark of a unit's state, above its box. */
const disc = (unit, size) => {
  const half = size / 4;
  const mark = make("svg", { x: -half, y: -size - half, width: half * 2, height: half * 2 });
  add(mark, "use", { href: `#${unit.dataset.disc}` });
  return mark;
};

/** Labels what has become large enough to be read; what has become small again loses its label. */
const label = (svg) => {
  const scale = factor(svg);
  svg.querySelectorAll(".near").forEach((e) => e.remove());
  if (scale <= 1.01) {
    return;
  }
  const view = svg.viewBox.baseVal;
  for (const unit of svg.querySelectorAll("[data-k]")) {
    const [x, y] = place(unit);
    const inView = x >= view.x && x <= view.x + view.width && y >= view.y && y <= view.y + view.height;
    const group = unit.closest("[data-size]");
    if (!group) {
      continue;
    }
    const size = Number(unit.dataset.own ?? group.dataset.size);
    const room = Number(group.dataset.room);
    if (!inView || size * scale < READABLE) {
      continue;
    }
    const labels = [];
    if (size < READABLE) {
      labels.push(text(unit.dataset.id, "m b", size * 0.14, size * 0.4), disc(unit, size));
    }
    if (room * scale >= ROOM_FOR_ADDRESS && room < ROOM_FOR_ADDRESS) {
      labels.push(text(unit.dataset.address, "m s", size * 0.95, Math.min(11, size * 0.4, room * 0.29)));
    }
    if (labels.length) {
      add(group, "g", { class: "near", transform: `translate(${x},${y})` }).append(...labels);
    }
  }
};

/** As a button asks: in, out, all, or to the chosen. */
export const zoomBy = (how) => {
  const svg = document.getElementById("above");
  const view = svg.viewBox.baseVal;
  if (how === "all") {
    look(svg, 0, 0, svg.width.baseVal.value);
  } else if (how === "chosen") {
    toChosen(svg);
  } else {
    zoom(svg, how === "in" ? 2 : 0.5, view.x + view.width / 2, view.y + view.height / 2);
  }
};

const toChosen = (svg) => {
  const places = [...svg.querySelectorAll(".chosen[data-k]")].map(place);
  if (!places.length) {
    return;
  }
  const xs = places.map((p) => p[0]);
  const ys = places.map((p) => p[1]);
  const ratio = svg.width.baseVal.value / svg.height.baseVal.value;
  const width = Math.max(60, (Math.max(...xs) - Math.min(...xs)) * 1.3, (Math.max(...ys) - Math.min(...ys)) * 1.3 * ratio);
  look(svg, (Math.max(...xs) + Math.min(...xs) - width) / 2, (Math.max(...ys) + Math.min(...ys) - width / ratio) / 2, width);
};
