// Loads what a page needs: each of these scripts is for pages that have such a part, also when it comes without a new page.

const needs = {
  "#grid": "./grid.js",
  "#divide": "./panes.js",
  "svg[data-units], [data-drawing]": "./drawing.js",
  "svg[data-tapes], #overview": "./tapes.js",
  "svg[data-tapes]": "./tapes-press.js",
  "#sim-units": "./sim-units.js",
  "#wish": "./wish.js",
  "#network-drawing": "./network.js",
  "#driving": "./raise.js",
  "#check-unit": "./checklist.js",
  "[data-alive]": "./alive.js",
  "#seen": "./seen.js",
  "#seen-universe": "./seen-universe.js",
};

const load = () =>
  Object.entries(needs)
    .filter(([part]) => document.querySelector(part))
    .forEach(([, script]) => import(script));

document.addEventListener("htmx:afterSettle", load);
load();
