// The simulated units as somebody sees them: their light and where their heads point, kept true.

import { live, put } from "./live.js";

const REACH = 24;

let units = new Map();
let pointed = null;

const lit = (u) => u.red + u.green + u.blue > 0;

const words = (u) => {
  const head = u.pan === undefined ? "" : ` Pan ${u.pan} %, tilt ${u.tilt ?? 0} % of the way.`;
  return `${u.unit}: ${lit(u) ? `gives light (red ${u.red}, green ${u.green}, blue ${u.blue})` : "gives no light"}.${head}${u.identifying ? " It makes itself known." : ""}${u.flickers ? " It flickers." : ""}`;
};

const tell = () => {
  if (pointed) {
    const unit = units.get(pointed);
    put(document.getElementById("sim-told"), unit ? words(unit) : `${pointed} does nothing: no unit answers there.`);
  }
};

/** Pan turns the line, tilt makes it long. */
const point = (line, u) => {
  const turn = ((u.pan ?? 50) / 100) * 2 * Math.PI + Math.PI / 2;
  const long = u.pan === undefined ? 0 : REACH * (0.3 + (0.7 * (u.tilt ?? 50)) / 100);
  line.setAttribute("x2", (Math.cos(turn) * long).toFixed(1));
  line.setAttribute("y2", (Math.sin(turn) * long).toFixed(1));
};

const draw = (item) => {
  const unit = units.get(item.dataset.unit);
  const lamp = item.querySelector(".sim-lamp");
  item.classList.toggle("absent", !unit);
  item.classList.toggle("lit", Boolean(unit) && lit(unit));
  item.classList.toggle("flickers", Boolean(unit?.flickers) && lit(unit));
  item.classList.toggle("identifying", Boolean(unit?.identifying));
  if (unit) {
    lamp.setAttribute("fill", `rgb(${unit.red} ${unit.green} ${unit.blue})`);
    point(item.querySelector(".sim-head"), unit);
  }
};

const aim = (event) => {
  const item = event.target.closest?.("#sim-units [data-unit]");
  if (item) {
    pointed = item.dataset.unit;
    tell();
  }
};

document.addEventListener("pointerover", aim);
document.addEventListener("focusin", aim);

live("#sim-units", (news, part) => {
  units = new Map(news.units.filter((u) => u.unit).map((u) => [u.unit, u]));
  part.querySelectorAll("[data-unit]").forEach(draw);
  tell();
});
