// The drawing of the rig: choosing by click, Shift, Ctrl and over an area; dragging along a position; zooming.

import { choose, choosing, chosen, post, refresh } from "./page.js";

const READABLE = 18;
const ROOM_FOR_ADDRESS = 42;
const SVG = "http://www.w3.org/2000/svg";
const TEXT = 12;
const FOOT = 304800;

let last = 0;
let drag = null;
let dragged = false;

const unitOf = (target) => target.closest?.("[data-units] [data-k]");
const keyOf = (unit) => Number(unit.dataset.k);
const isBox = (unit) => unit.localName === "rect";

/** The middle of a unit inside its group. One that is drawn small is a box alone. */
const place = (unit) =>
  isBox(unit)
    ? [Number(unit.getAttribute("x")) + Number(unit.getAttribute("width")) / 2, Number(unit.getAttribute("y")) + Number(unit.getAttribute("height")) / 2]
    : unit.getAttribute("transform").match(/-?[\d.]+/g).map(Number);

const put = (unit, [x, y], dx, dy) => unit.setAttribute("transform", isBox(unit) ? `translate(${dx},${dy})` : `translate(${x + dx},${y + dy})`);

const inSvg = (svg, event) => {
  const point = new DOMPoint(event.clientX, event.clientY);
  const at = point.matrixTransform(svg.getScreenCTM().inverse());
  return [at.x, at.y];
};

/** Where a unit is on the sheet, its group's own shift included. */
const onSheet = (svg, unit) => {
  const box = (isBox(unit) ? unit : unit.querySelector("rect")).getBoundingClientRect();
  return inSvg(svg, { clientX: box.x + box.width / 2, clientY: box.y + box.height / 2 });
};

/** The drawing of a large rig comes after its page. */
const fetchDrawing = async () => {
  const host = document.querySelector("[data-drawing]");
  if (!host || host.dataset.asked) {
    return;
  }
  host.dataset.asked = "yes";
  const response = await fetch(`${host.dataset.drawing}${location.search}`);
  const drawn = await response.text();
  if (response.ok && host.isConnected) {
    host.innerHTML = drawn;
  }
};

document.addEventListener("htmx:afterSettle", fetchDrawing);
document.addEventListener("taxon:fresh", fetchDrawing);
fetchDrawing();

// Zooming

const factor = (svg) => svg.width.baseVal.value / svg.viewBox.baseVal.width;

const look = (svg, x, y, width) => {
  const whole = svg.width.baseVal.value;
  const wanted = Math.min(whole, Math.max(whole / 64, width));
  const height = (svg.height.baseVal.value * wanted) / whole;
  const clamp = (value, most) => Math.max(0, Math.min(value, most));
  svg.setAttribute("viewBox", `${clamp(x, whole - wanted)} ${clamp(y, svg.height.baseVal.value - height)} ${wanted} ${height}`);
  label(svg);
};

const zoom = (svg, by, x, y) => {
  const view = svg.viewBox.baseVal;
  const width = view.width / by;
  const height = view.height / by;
  look(svg, x - ((x - view.x) / view.width) * width, y - ((y - view.y) / view.height) * height, width);
};

const text = (words, classes, y, size) => {
  const element = document.createElementNS(SVG, "text");
  element.setAttribute("class", classes);
  element.setAttribute("text-anchor", "middle");
  element.setAttribute("transform", `translate(0,${y}) scale(${size / TEXT})`);
  element.textContent = words;
  return element;
};

/** The mark of a unit's state, above its box. */
const disc = (unit, size) => {
  const half = size / 4;
  const mark = document.createElementNS(SVG, "svg");
  mark.setAttribute("x", -half);
  mark.setAttribute("y", -size - half);
  mark.setAttribute("width", half * 2);
  mark.setAttribute("height", half * 2);
  mark.appendChild(document.createElementNS(SVG, "use")).setAttribute("href", `#${unit.dataset.disc}`);
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
    const size = Number(group.dataset.size);
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
      const near = document.createElementNS(SVG, "g");
      near.setAttribute("class", "near");
      near.setAttribute("transform", `translate(${x},${y})`);
      near.append(...labels);
      group.append(near);
    }
  }
};

const zoomBy = (how) => {
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

// Choosing

const orderOf = (unit) => {
  const here = `[data-position="${unit.closest("[data-position]").dataset.position}"] [data-k]`;
  return [...unit.closest("svg[data-units]").querySelectorAll(here)].map(keyOf);
};

const chooseUnit = (event, unit) => {
  choose(choosing(event, keyOf(unit), orderOf(unit), last));
  last = keyOf(unit);
};

const inArea = (svg, x1, y1, x2, y2) =>
  [...svg.querySelectorAll("[data-k]")].filter((u) => {
    const [x, y] = onSheet(svg, u);
    return x >= Math.min(x1, x2) && x <= Math.max(x1, x2) && y >= Math.min(y1, y2) && y <= Math.max(y1, y2);
  });

// Dragging along a position

const direction = (group) => {
  const line = group.querySelector("line.line");
  const at = (name) => Number(line.getAttribute(name));
  const [dx, dy] = [at("x2") - at("x1"), at("y2") - at("y1")];
  const length = Math.hypot(dx, dy) || 1;
  return [dx / length, dy / length];
};

const step = () => (document.querySelector("#view [name=unit]")?.value === "feet" ? FOOT : 250000);

const words = (micrometres) => `${(micrometres / 1e6).toFixed(6).replace(/\.?0+$/, "")} m`;

/** How far the dragged unit goes, in micrometres, so that it ends on a step. */
const way = (svg, x, y) => {
  const [dx, dy] = direction(drag.unit.closest("[data-position]"));
  const along = ((x - drag.x) * dx + (y - drag.y) * dy) / Number(svg.dataset.metre);
  const offset = Number(drag.unit.dataset.offset);
  return Math.round((offset + along * 1e6) / step()) * step() - offset;
};

const show = (svg, micrometres) => {
  const pixels = (micrometres / 1e6) * Number(svg.dataset.metre);
  for (const unit of drag.units) {
    const [dx, dy] = direction(unit.closest("[data-position]"));
    put(unit, drag.places.get(unit), dx * pixels, dy * pixels);
  }
  document.getElementById("grid-told").textContent =
    `${drag.unit.dataset.id} to ${words(Number(drag.unit.dataset.offset) + micrometres)}, ${micrometres < 0 ? "" : "+"}${words(micrometres)}`;
};

const startUnits = (svg, unit) => {
  const keys = chosen();
  const movable = [...svg.querySelectorAll("[data-offset]")];
  return keys.has(keyOf(unit)) ? movable.filter((u) => keys.has(keyOf(u))) : [unit];
};

const dropUnits = async (svg, micrometres) => {
  const { unit, units } = drag;
  drag = null;
  if (micrometres === 0) {
    return;
  }
  const version = document.querySelector(".frame").dataset.version;
  const job = document.querySelector(".frame").dataset.job;
  const keys = units.map(keyOf).join(",");
  const answer =
    units.length === 1
      ? await post(`/jobs/${job}/cells`, { version, key: keys, column: "offset", text: words(Number(unit.dataset.offset) + micrometres) })
      : await post(`/jobs/${job}/arranging`, { version, sel: keys, way: "shifted", by: words(micrometres) });
  if (answer.ok && answer.body.next) {
    location.assign(answer.body.next);
    return;
  }
  document.getElementById("grid-told").textContent = answer.reason;
  refresh();
};

// Pointers and keys

const marquee = (svg, x, y) => {
  const box = svg.querySelector(".marquee") ?? svg.appendChild(document.createElementNS(SVG, "rect"));
  box.setAttribute("class", "marquee");
  box.setAttribute("x", Math.min(x, drag.x));
  box.setAttribute("y", Math.min(y, drag.y));
  box.setAttribute("width", Math.abs(x - drag.x));
  box.setAttribute("height", Math.abs(y - drag.y));
};

document.addEventListener("pointerdown", (event) => {
  const svg = event.target.closest?.("svg[data-units]");
  if (!svg || event.button !== 0 || event.target.closest("[data-all]")) {
    return;
  }
  const unit = unitOf(event.target);
  const [x, y] = inSvg(svg, event);
  dragged = false;
  drag = { svg, unit, x, y, moved: false, units: [], places: new Map() };
  if (unit?.dataset.offset !== undefined) {
    drag.units = startUnits(svg, unit);
    drag.units.forEach((u) => drag.places.set(u, place(u)));
  }
});

document.addEventListener("pointermove", (event) => {
  if (!drag) {
    return;
  }
  const [x, y] = inSvg(drag.svg, event);
  drag.moved ||= Math.hypot(x - drag.x, y - drag.y) * factor(drag.svg) > 4;
  if (!drag.moved) {
    return;
  }
  if (drag.unit && drag.units.length) {
    show(drag.svg, way(drag.svg, x, y));
  } else if (!drag.unit) {
    marquee(drag.svg, x, y);
  }
});

document.addEventListener("pointerup", (event) => {
  if (!drag) {
    return;
  }
  const { svg, unit, moved, units } = drag;
  const [x, y] = inSvg(svg, event);
  // The click that follows a drag chooses nothing.
  dragged = moved;
  if (moved && unit && units.length) {
    dropUnits(svg, way(svg, x, y));
    return;
  }
  if (moved && !unit) {
    const keys = event.shiftKey || event.ctrlKey || event.metaKey ? chosen() : new Set();
    inArea(svg, drag.x, drag.y, x, y).forEach((u) => keys.add(keyOf(u)));
    svg.querySelector(".marquee")?.remove();
    choose(keys);
  }
  drag = null;
});

// A finger that scrolls the page is no drag.
document.addEventListener("pointercancel", () => {
  drag?.svg.querySelector(".marquee")?.remove();
  drag?.units.forEach((u) => put(u, drag.places.get(u), 0, 0));
  drag = null;
});

// A tip is made when someone points: thousands of them would only make the page heavy.
document.addEventListener("pointerover", (event) => {
  const unit = unitOf(event.target);
  if (unit && !unit.querySelector("title")) {
    const tip = document.createElementNS(SVG, "title");
    tip.textContent = unit.getAttribute("aria-label");
    unit.prepend(tip);
  }
});

document.addEventListener("dragstart", (event) => unitOf(event.target) && event.preventDefault());

document.addEventListener("click", (event) => {
  const how = event.target.closest?.("[data-zoom]")?.dataset.zoom;
  if (how) {
    zoomBy(how);
  }
  const unit = unitOf(event.target);
  if (unit) {
    event.preventDefault();
    if (!dragged) {
      chooseUnit(event, unit);
    }
  }
  const all = event.target.closest?.("[data-units] [data-all]");
  if (all) {
    event.preventDefault();
    const keys = event.shiftKey || event.ctrlKey || event.metaKey ? chosen() : new Set();
    const here = `[data-position="${all.dataset.all}"] [data-k]`;
    all.closest("svg[data-units]").querySelectorAll(here).forEach((u) => keys.add(keyOf(u)));
    choose(keys);
  }
});

document.addEventListener(
  "wheel",
  (event) => {
    const svg = event.target.closest?.("#above");
    if (svg && event.ctrlKey) {
      event.preventDefault();
      zoom(svg, event.deltaY < 0 ? 1.25 : 0.8, ...inSvg(svg, event));
    }
  },
  { passive: false },
);

document.addEventListener("keydown", (event) => {
  const svg = event.target.closest?.("svg[data-units]");
  if (!svg) {
    return;
  }
  const units = [...svg.querySelectorAll("[data-k]")];
  const now = units.indexOf(event.target);
  const next = { ArrowRight: now + 1, ArrowDown: now + 1, ArrowLeft: now - 1, ArrowUp: now - 1 }[event.key];
  if (next !== undefined) {
    units[Math.max(0, Math.min(units.length - 1, next))]?.focus();
    event.preventDefault();
  } else if ((event.key === " " || event.key === "Enter") && now >= 0) {
    chooseUnit(event, units[now]);
    event.preventDefault();
  } else if (event.key === "+" || event.key === "-") {
    zoomBy(event.key === "+" ? "in" : "out");
    event.preventDefault();
  }
});
