// Draws the rows of the rig table that are in sight.

import { choose, chosen } from "./page.js";
import { unkept } from "./outbox.js";
import { FIXED, box, clamp, fetchRows, fixtureOf, grid, keyOf, range, textOf } from "./grid-model.js";

const ROW = 29;
const MARGIN = 12;

export const table = () => box()?.querySelector("table");
export const editor = () => document.getElementById("cell-editor");

const cell = (row, column, marked) => {
  const td = document.createElement("td");
  const waiting = unkept(keyOf(row), grid.columns[column].name);
  const shown = waiting ?? textOf(row, column);
  td.id = `c-${row}-${column}`;
  td.dataset.r = row;
  td.dataset.c = column;
  td.textContent = shown;
  td.title = waiting === undefined ? (shown.length > 12 ? shown : "") : "Not kept yet";
  const { name, edited } = grid.columns[column];
  td.className = `${edited ? "" : "derived"} ${["id", "unit", "offset", "address", "slots"].includes(name) ? "num" : ""} ${marked ? "marked" : ""}`;
  td.classList.toggle("unkept", waiting !== undefined);
  if (name === "standing") {
    td.innerHTML = `<span class="standing"><svg width="14" height="14" aria-hidden="true"><use href="#${grid.rows[row][2]}"/></svg></span>`;
    td.firstChild.append(shown);
  }
  if (row === grid.row && column === grid.column) {
    td.classList.add("active");
  }
  return td;
};

const rowElement = (row, keys) => {
  const [, tint, , stopped] = grid.rows[row];
  const key = fixtureOf(row);
  const tr = document.createElement("tr");
  tr.dataset.k = key;
  tr.setAttribute("aria-rowindex", row + 2);
  tr.setAttribute("aria-selected", keys.has(key));
  tr.classList.toggle("chosen", keys.has(key));
  tr.classList.toggle("stopped", stopped === 1);
  tr.classList.toggle("part", keyOf(row) !== key);
  const tick = document.createElement("td");
  tick.className = "tick";
  tick.dataset.r = row;
  tick.innerHTML = `<span class="swatch tint${Number(tint)}"></span>`;
  tr.append(tick);
  const inRows = row >= Math.min(grid.from, grid.row) && row <= Math.max(grid.from, grid.row);
  const several = grid.from !== grid.row || grid.fromColumn !== grid.column;
  for (let c = 0; c < grid.columns.length; c += 1) {
    const inColumns = c >= Math.min(grid.fromColumn, grid.column) && c <= Math.max(grid.fromColumn, grid.column);
    tr.append(cell(row, c, several && inRows && inColumns));
  }
  return tr;
};

const spacer = (rows) => {
  const tr = document.createElement("tr");
  tr.className = "spacer";
  tr.setAttribute("aria-hidden", "true");
  // An attribute, since a style in the markup is against our policy when the page is copied for the history.
  tr.setAttribute("height", rows * ROW);
  return tr;
};

export const draw = () => {
  if (!box() || editor() || !grid.columns.length) {
    return;
  }
  const keys = chosen();
  const first = clamp(Math.floor(box().scrollTop / ROW) - MARGIN, grid.rows.length);
  const end = clamp(Math.ceil((box().scrollTop + box().clientHeight) / ROW) + MARGIN, grid.rows.length);
  const rows = [spacer(first)];
  for (let r = first; r < end; r += 1) {
    rows.push(rowElement(r, keys));
  }
  rows.push(spacer(grid.rows.length - end));
  table().tBodies[0].replaceChildren(...rows);
  table().setAttribute("aria-rowcount", grid.rows.length + 1);
  table().setAttribute("aria-activedescendant", `c-${grid.row}-${grid.column}`);
  [...table().tHead.rows[0].cells].forEach((th, i) => th.setAttribute("width", i === 0 ? 26 : (grid.columns[i - 1]?.width ?? 80)));
};

const inSight = () => {
  const top = grid.row * ROW;
  const shown = box().clientHeight - 40;
  if (top < box().scrollTop) {
    box().scrollTop = top;
  } else if (top + ROW > box().scrollTop + shown) {
    box().scrollTop = top + ROW - shown;
  }
};

/** Makes a cell the active one; extending, all from where choosing began. */
export const go = (row, column, extending) => {
  grid.row = clamp(row, grid.rows.length - 1);
  grid.column = clamp(column, grid.columns.length - 1);
  if (!extending) {
    grid.from = grid.row;
    grid.fromColumn = grid.column;
  }
  inSight();
  draw();
};

/** Fetches what differs and draws it. */
export const load = async (asking = false) => {
  if (await fetchRows(asking)) {
    draw();
  }
};

/** Chooses the fixtures of the rows that are meant, or takes them out when all of them are chosen. */
export const chooseRows = () => {
  const keys = chosen();
  const rows = range().map(fixtureOf);
  const all = rows.every((k) => keys.has(k));
  rows.forEach((k) => (all ? keys.delete(k) : keys.add(k)));
  choose(keys);
};
