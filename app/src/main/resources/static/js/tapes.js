// The tapes: choosing units, dragging one or all that are chosen, and moving them by keyboard.
// Where they may go is asked of the server when they are lifted; here it is only looked up.

import { choose, choosing, chosen, get, post, refresh, shownVersion } from "./page.js";
import { add, inSvg } from "./svg.js";

export const NEAR = 12;
const MOVED = 4;

let drag = null;
let lifted = null;
let last = 0;
let quiet = false;

/** True right after a drag, whose click means nothing. */
export const isQuiet = () => quiet;

export const sheet = () => document.querySelector("svg[data-tapes]");
const job = () => document.querySelector(".frame[data-job]").dataset.job;
export const left = (svg) => Number(svg.dataset.left);
export const perSlot = (svg) => Number(svg.dataset.slot);
export const unitOf = (target) => target.closest?.("svg[data-tapes] .unit, #overview .unit");

const tapeAt = (svg, y) =>
  [...svg.querySelectorAll("[data-u]")].reduce((best, tape) => (Math.abs(Number(tape.dataset.y) + 20 - y) < Math.abs(Number(best.dataset.y) + 20 - y) ? tape : best));

export const address = (universe, slot) => `${universe}.${String(slot).padStart(3, "0")}`;

/** Asks where what is held may go, with all that is chosen when it is one of them. */
export const lift = async (unit) => {
  const keys = chosen();
  const key = Number(unit.dataset.k);
  const sel = keys.has(key) ? [...keys].join(",") : key;
  const response = await get(`/jobs/${job()}/addresses/fits?held=${key}&block=${unit.dataset.b}&sel=${sel}`, "application/json");
  if (!response.ok) {
    return null;
  }
  const body = await response.json();
  return { unit, sel, length: body.length, starts: body.starts, universe: Number(unit.closest("[data-u]")?.dataset.u ?? 0), slot: Number(unit.dataset.s ?? 0) };
};

const runsOn = (held, universe) => held.starts[universe] ?? [];
export const isLegal = (held, universe, slot) => runsOn(held, universe).some(([from, to]) => from <= slot && slot <= to);

/** The legal start nearest to a slot, where one is near; else the slot itself. */
export const snapped = (held, universe, slot) => {
  const nearest = runsOn(held, universe)
    .map(([from, to]) => Math.max(from, Math.min(to, slot)))
    .reduce((best, s) => (best === null || Math.abs(s - slot) < Math.abs(best - slot) ? s : best), null);
  return nearest !== null && Math.abs(nearest - slot) <= NEAR ? nearest : slot;
};

export const clear = () => {
  document.querySelectorAll(".ghostly").forEach((e) => e.remove());
  document.querySelectorAll(".held").forEach((e) => e.classList.remove("held"));
};

/** Draws where it would lie, and whether it may. */
export const show = (held, universe, slot) => {
  const svg = sheet();
  const tape = svg.querySelector(`[data-u="${universe}"]`);
  clear();
  if (!tape) {
    return;
  }
  held.unit.classList.add("held");
  const legal = isLegal(held, universe, slot);
  const x = left(svg) + (slot - 1) * perSlot(svg);
  add(tape, "rect", { class: `ghostly ghost ${legal ? "on" : "off"}`, x, y: 4, width: held.length * perSlot(svg), height: 32 });
  add(tape, "text", { class: "ghostly m b halo", x: Math.min(x + 4, 860), y: 48 }, `${address(universe, slot)}${legal ? "" : ", not free"}`);
};

export const say = (words) => {
  const place = document.querySelector(".hint");
  if (place) {
    place.textContent = words;
    place.setAttribute("role", "status");
  }
};

/** Puts it down: one unit at once, several as a proposal. What is not free stays where it is. */
export const putDown = async (held, universe, slot) => {
  clear();
  if (universe === held.universe && slot === held.slot) {
    return;
  }
  const fields = { version: shownVersion(), sel: held.sel, held: held.unit.dataset.k, block: held.unit.dataset.b, to: address(universe, slot) };
  // What comes from the tray has no address that the others could keep their distance to.
  const answer = await post(`/jobs/${job()}/addresses/${held.universe ? "shift" : "tray"}`, fields);
  if (answer.ok && answer.body.proposal) {
    location.assign(`/jobs/${job()}/proposals/${answer.body.proposal}?sel=${held.sel}`);
  } else {
    await refresh();
    say(answer.ok ? `Moved to ${fields.to}.` : answer.reason || "It stays where it was.");
  }
};

// By pointer

const place = (held, event) => {
  const svg = sheet();
  const [x, y] = inSvg(svg, event);
  const universe = Number(tapeAt(svg, y).dataset.u);
  const slot = Math.round((x - left(svg)) / perSlot(svg)) + 1 - drag.grab;
  return [universe, snapped(held, universe, Math.max(1, Math.min(513 - held.length, slot)))];
};

document.addEventListener("pointerdown", (event) => {
  const unit = unitOf(event.target);
  const byFinger = event.pointerType === "touch";
  if (unit && event.button === 0 && unit.closest("[data-tapes]") && (!byFinger || event.target.closest(".grip"))) {
    const [x] = inSvg(sheet(), event);
    const grab = unit.dataset.s
      ? Math.round((x - left(sheet())) / perSlot(sheet())) + 1 - Number(unit.dataset.s)
      : Math.min(Number(unit.dataset.n) - 1, Math.round((x - Number(unit.dataset.x)) / perSlot(sheet())));
    drag = { unit, grab, x: event.clientX, y: event.clientY, held: null, asked: false };
  }
});

document.addEventListener("pointermove", async (event) => {
  if (!drag || (Math.hypot(event.clientX - drag.x, event.clientY - drag.y) < MOVED && !drag.asked)) {
    return;
  }
  if (!drag.asked) {
    drag.asked = true;
    const mine = drag;
    mine.held = await lift(mine.unit);
    mine.last && mine.held && drag === mine && show(mine.held, ...place(mine.held, mine.last));
  }
  if (drag) {
    drag.last = event;
    drag.held && show(drag.held, ...place(drag.held, event));
  }
});

document.addEventListener("pointerup", async (event) => {
  const ended = drag;
  if (ended?.asked) {
    quiet = true;
    setTimeout(() => (quiet = false));
    const target = ended.held ? place(ended.held, event) : null;
    drag = null;
    target && (await putDown(ended.held, ...target));
  }
  drag = null;
});

document.addEventListener("click", (event) => {
  const unit = unitOf(event.target);
  if (!unit || quiet) {
    return;
  }
  const order = [...new Set([...unit.closest("svg").querySelectorAll(".unit")].map((u) => Number(u.dataset.k)))];
  const key = Number(unit.dataset.k);
  choose(choosing(event, key, order, last));
  last = key;
});

// By keyboard

const order = (svg) => [...svg.querySelectorAll(".unit")];
const first = (svg) => svg.querySelector(".unit.chosen");

const allStarts = (held) =>
  Object.keys(held.starts)
    .map(Number)
    .sort((a, b) => a - b)
    .flatMap((u) => runsOn(held, u).map(([from, to]) => [u, from, to]));

/** The next legal start in a direction: along the tape, or on the next tape that has one. */
const next = ({ held, universe, slot }, key) => {
  if (key === "ArrowUp" || key === "ArrowDown") {
    const others = Object.keys(held.starts).map(Number).sort((a, b) => a - b);
    const onward = key === "ArrowDown" ? others.find((u) => u > universe) : others.reverse().find((u) => u < universe);
    return onward && sheet().querySelector(`[data-u="${onward}"]`) ? [onward, nearest(held, onward, slot)] : [universe, slot];
  }
  const step = key === "ArrowRight" ? 1 : -1;
  const here = allStarts(held).filter(([u]) => u === universe);
  const wanted = slot + step;
  const inside = here.find(([, from, to]) => from <= wanted && wanted <= to);
  if (inside) {
    return [universe, wanted];
  }
  const beyond = step > 0 ? here.find(([, from]) => from > slot)?.[1] : here.reverse().find(([, , to]) => to < slot)?.[2];
  return [universe, beyond ?? slot];
};

const nearest = (held, universe, slot) =>
  runsOn(held, universe)
    .map(([from, to]) => Math.max(from, Math.min(to, slot)))
    .reduce((best, s) => (Math.abs(s - slot) < Math.abs(best - slot) ? s : best), Infinity);

const moveLifted = (key) => {
  const [universe, slot] = next(lifted, key);
  lifted = { ...lifted, universe, slot };
  show(lifted.held, universe, slot);
};

const walk = (svg, key) => {
  const units = order(svg);
  const at = units.indexOf(first(svg));
  const to = units[Math.max(0, Math.min(units.length - 1, at + (key === "ArrowRight" || key === "ArrowDown" ? 1 : -1)))];
  to && choose(new Set([Number(to.dataset.k)]));
};

document.addEventListener("keydown", async (event) => {
  const svg = sheet();
  if (!svg || document.activeElement !== svg) {
    return;
  }
  if (event.key.startsWith("Arrow")) {
    event.preventDefault();
    lifted ? moveLifted(event.key) : walk(svg, event.key);
  } else if (event.key === "Enter") {
    event.preventDefault();
    event.stopPropagation();
    if (lifted) {
      const { held, universe, slot } = lifted;
      lifted = null;
      await putDown(held, universe, slot);
      sheet()?.focus();
    } else if (first(svg)) {
      const held = await lift(first(svg));
      const [universe, slot] = held && !held.universe ? (allStarts(held)[0] ?? [0, 0]) : [held?.universe, held?.slot];
      lifted = held && { held, universe, slot };
      lifted && show(held, universe, slot);
    }
  } else if (event.key === "Escape" && lifted) {
    event.stopPropagation();
    lifted = null;
    clear();
  }
}, true);
