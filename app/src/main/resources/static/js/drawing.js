// The drawing of the rig: choosing by click, Shift, Ctrl and over an area; dragging along a position; zooming.

import { choose, choosing, chosen, get, post, refresh } from "./page.js";
import { factor, isBox, place, zoom, zoomBy } from "./drawing-zoom.js";
import { add, inSvg, make } from "./svg.js";
import { tell } from "./told.js";

const FOOT = 304800;

let last = 0;
let drag = null;
let dragged = false;

const unitOf = (target) => target.closest?.("[data-units] [data-k]");
const keyOf = (unit) => Number(unit.dataset.k);
const put = (unit, [x, y], dx, dy) => unit.setAttribute("transform", isBox(unit) ? `translate(${dx},${dy})` : `translate(${x + dx},${y + dy})`);

/** Where a unit is on the sheet, its group's own shift included. */
const onSheet = (svg, unit) => {
  const box = (isBox(unit) ? unit : unit.querySelector("rect")).getBoundingClientRect();
  return inSvg(svg, { clientX: box.x + box.width / 2, clientY: box.y + box.height / 2 });
};

/** The drawing of a large rig comes after its page; of several that are on their way the last that was asked for is the newest. */
let drawingsAsked = 0;
const fetchDrawing = async () => {
  const host = document.querySelector("[data-drawing]");
  if (!host || host.dataset.asked) {
    return;
  }
  host.dataset.asked = "yes";
  drawingsAsked += 1;
  const mine = drawingsAsked;
  const response = await get(`${host.dataset.drawing}${location.search}`, "text/html");
  const drawn = await response.text();
  if (response.ok && host.isConnected && mine === drawingsAsked) {
    host.innerHTML = drawn;
  }
};

document.addEventListener("htmx:afterSettle", fetchDrawing);
document.addEventListener("taxon:fresh", fetchDrawing);
fetchDrawing();

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
  const to = words(Number(drag.unit.dataset.offset) + micrometres);
  tell(`${drag.unit.dataset.id} to ${to}, ${micrometres < 0 ? "" : "+"}${words(micrometres)}`, true);
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
  tell(answer.reason);
  refresh();
};

// Pointers and keys

const marquee = (svg, x, y) => {
  svg.querySelector(".marquee")?.remove();
  const [left, top] = [Math.min(x, drag.x), Math.min(y, drag.y)];
  add(svg, "rect", { class: "marquee", x: left, y: top, width: Math.abs(x - drag.x), height: Math.abs(y - drag.y) });
};

document.addEventListener("pointerdown", (event) => {
  const svg = event.target.closest?.("svg[data-units]");
  if (!svg || event.button !== 0 || event.target.closest("[data-all]")) {
    return;
  }
  const unit = unitOf(event.target);
  const [x, y] = inSvg(svg, event);
  dragged = false;
  if (event.pointerType === "touch" && !event.target.closest(".grip")) {
    return; // A finger scrolls; it drags by the grip of what is chosen.
  }
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
    unit.prepend(make("title", {}, unit.getAttribute("aria-label")));
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
