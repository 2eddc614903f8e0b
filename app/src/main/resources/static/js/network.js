// The drawing of the network: universes to other ports, units along their line or to another, with the pointer or the keyboard.

import { post, refresh, shownVersion } from "./page.js";

const NEAR = 4;

let held = null;

const drawing = () => document.getElementById("network-drawing");
const told = (words) => (document.getElementById("network-told").textContent = words);
const nameOf = (part) => part.getAttribute("aria-label") ?? part.querySelector("title")?.textContent ?? "";
const partOf = (target) => target.closest?.("#network-drawing [data-universe], #network-drawing [data-unit], #network-drawing [data-box]");

/** Where what is held can go: ports for a universe, lines and places on them for a unit. */
const targetOf = (element) => {
  if (!held || !element) {
    return null;
  }
  return held.dataset.universe ? element.closest("[data-outlet]") : element.closest("[data-unit], [data-box]") ?? element.closest("[data-outlet]")?.querySelector("[data-line]");
};

const show = (target) => {
  drawing()?.querySelectorAll(".target").forEach((t) => t.classList.remove("target"));
  target?.classList.add("target");
};

const pick = (part) => {
  held = part;
  part.classList.add("picked");
  told(`${nameOf(part)} is picked up.`);
};

const letGo = () => {
  held?.classList.remove("picked");
  held = null;
  show(null);
};

const at = (path) => `/jobs/${document.querySelector(".frame").dataset.job}${path}`;

const finish = async (answer, words) => {
  if (answer.ok) {
    await refresh();
    told(words);
  } else {
    told(answer.reason);
  }
};

const route = async (universe, from, row) => {
  const outlet = row.dataset.outlet;
  if (outlet === from) {
    return;
  }
  const path = at(`/universes/${universe}/ways/move`);
  await finish(await post(path, { version: shownVersion(), outlet, instead: from ?? "" }), `Universe ${universe} leaves by port ${outlet} now.`);
};

const plug = async (part, target) => {
  const line = target.closest("[data-line]").dataset.line;
  const what = part.dataset.unit ? { fixture: part.dataset.unit } : { box: part.dataset.box };
  const fields = { version: shownVersion(), ...what };
  if (target.dataset.place) {
    const after = part.closest("[data-line]") === target.closest("[data-line]") && Number(part.dataset.place) < Number(target.dataset.place);
    fields.place = Number(target.dataset.place) + (after ? 1 : 0);
  }
  await finish(await post(at(`/lines/${line}/stops`), fields), `${nameOf(part)} is plugged into line ${line}.`);
};

const drop = async (target) => {
  const part = held;
  letGo();
  if (!part || !target || target === part) {
    return;
  }
  await (part.dataset.universe ? route(part.dataset.universe, part.dataset.from, target) : plug(part, target));
};

// Pointer

let begun = null;
let dragged = false;

document.addEventListener("pointerdown", (event) => {
  const part = event.button === 0 ? partOf(event.target) : null;
  dragged = false;
  if (part) {
    begun = { part, x: event.clientX, y: event.clientY };
    event.preventDefault();
  }
});

document.addEventListener("pointermove", (event) => {
  if (!begun) {
    return;
  }
  if (!dragged && Math.hypot(event.clientX - begun.x, event.clientY - begun.y) > NEAR) {
    dragged = true;
    pick(begun.part);
  }
  if (dragged) {
    show(targetOf(document.elementFromPoint(event.clientX, event.clientY)));
  }
});

document.addEventListener("pointerup", (event) => {
  const part = begun?.part;
  begun = null;
  if (dragged) {
    drop(targetOf(document.elementFromPoint(event.clientX, event.clientY)));
  } else if (part) {
    part.focus();
  }
});

document.addEventListener("pointercancel", () => {
  begun = null;
  letGo();
});

// Keyboard

const targets = () =>
  held.dataset.universe
    ? [...drawing().querySelectorAll("[data-outlet]")]
    : [...drawing().querySelectorAll("[data-unit], [data-box], [data-line]")].filter((t) => t !== held);

const step = (by) => {
  const all = targets();
  const order = [...drawing().querySelectorAll("[data-outlet], [data-unit], [data-box], [data-line], [data-universe]")];
  const now = drawing().querySelector(".target") ?? (held.dataset.universe ? held.closest("[data-outlet]") : null) ?? held;
  const here = order.indexOf(now);
  const next = by > 0 ? all.find((t) => order.indexOf(t) > here) : all.findLast((t) => order.indexOf(t) < here);
  if (next) {
    show(next);
    const outlet = next.closest("[data-outlet]")?.dataset.outlet;
    told(next.dataset.outlet ? `To port ${outlet}?` : next.dataset.place ? `To place ${next.dataset.place} of the line from port ${outlet}?` : `To the end of the line from port ${outlet}?`);
  }
};

document.addEventListener("keydown", (event) => {
  const part = partOf(document.activeElement ?? document.body);
  if (!part && !held) {
    return;
  }
  const acts = {
    " ": () => (held ? letGo() : pick(part)),
    ArrowRight: () => held && step(1),
    ArrowDown: () => held && step(1),
    ArrowLeft: () => held && step(-1),
    ArrowUp: () => held && step(-1),
    Enter: () => held && drop(drawing().querySelector(".target")),
    Escape: () => held && letGo(),
  };
  if (acts[event.key] && (held || event.key === " ")) {
    event.preventDefault();
    event.stopPropagation();
    acts[event.key]();
  }
});
