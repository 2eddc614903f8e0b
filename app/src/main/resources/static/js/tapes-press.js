// The tapes: pressing a free slot, once to see what would come there, again to put it there.

import { chosen } from "./page.js";
import { inSvg } from "./svg.js";
import { NEAR, address, clear, isLegal, isQuiet, left, lift, perSlot, putDown, say, sheet, show, snapped, unitOf } from "./tapes.js";

let pressed = null;

const slotAt = (event) => {
  const svg = sheet();
  const tape = event.target.closest?.("svg[data-tapes] [data-u]");
  if (!svg || !tape || event.target.closest(".unit, a")) {
    return null;
  }
  const [x] = inSvg(svg, event);
  const slot = Math.floor((x - left(svg)) / perSlot(svg)) + 1;
  return slot >= 1 && slot <= 512 ? { universe: Number(tape.dataset.u), slot } : null;
};

/** Who would come to a free slot: what is chosen, in the tray or on a tape, else the next of the tray. */
const comer = () => {
  const keys = chosen();
  const ours = [...sheet().querySelectorAll(".unit")].filter((u) => keys.has(Number(u.dataset.k)));
  return ours.find((u) => u.matches(".waiting")) ?? ours[0] ?? sheet().querySelector(".unit.waiting");
};

document.addEventListener("click", async (event) => {
  const at = isQuiet() ? null : slotAt(event);
  if (!at) {
    pressed && !unitOf(event.target) && clear();
    pressed = null;
    return;
  }
  const unit = comer();
  if (!unit) {
    return;
  }
  const held = await lift(unit);
  if (!held) {
    return;
  }
  const slot = snapped(held, at.universe, at.slot);
  if (pressed && pressed.key === unit.dataset.k && pressed.universe === at.universe && Math.abs(pressed.slot - slot) <= NEAR) {
    const target = pressed;
    pressed = null;
    await putDown(held, target.universe, target.slot);
    return;
  }
  show(held, at.universe, slot);
  pressed = isLegal(held, at.universe, slot) ? { key: unit.dataset.k, universe: at.universe, slot } : null;
  say(pressed ? `Press again to put ${unit.dataset.label ?? "it"} at ${address(at.universe, slot)}.` : `${address(at.universe, slot)} is not free for ${held.length} slots.`);
});
