// The rig table as the page holds it: the rows that the server gave, kept up with what changes, and which cells are meant.

import { get, shownVersion } from "./page.js";

export const FIXED = 4;
const STOPPED = 3;

export const grid = { columns: [], rows: [], order: [], at: new Map(), version: 0, view: "", row: 0, column: 0, from: 0, fromColumn: 0, last: 0 };

export const box = () => document.getElementById("grid");
export const clamp = (value, most) => Math.max(0, Math.min(value, most));
export const textOf = (row, column) => grid.rows[row][FIXED + column];
/** Of a row: a number for a fixture, "17/cell 3" for a part of one. */
export const keyOf = (row) => grid.rows[row][0];
const fixtureIn = (key) => Number.parseInt(key, 10);
/** The key of the fixture that a row is, or is a part of. */
export const fixtureOf = (row) => fixtureIn(keyOf(row));

/** The rows from the one where choosing began to the one that is active. */
export const range = () => {
  const rows = [];
  for (let r = Math.min(grid.from, grid.row); r <= Math.max(grid.from, grid.row); r += 1) {
    rows.push(r);
  }
  return rows;
};

const fill = (body) => {
  grid.columns = body.columns;
  grid.rows = body.rows;
  grid.order = body.rows.map((r) => fixtureIn(r[0]));
  grid.at = new Map(body.rows.map((r, i) => [r[0], i]));
  grid.version = body.version;
  grid.row = clamp(grid.row, grid.rows.length - 1);
  grid.from = clamp(grid.from, grid.rows.length - 1);
  grid.column = clamp(grid.column, grid.columns.length - 1);
};

/** Takes over what differs; false when a row is shown that nobody told of. */
const merge = (body) => {
  const known = new Map(grid.rows.map((r) => [r[0], r]));
  body.rows.forEach((r) => known.set(r[0], r));
  if (body.order.some((k) => !known.has(k))) {
    return false;
  }
  const stopped = new Set(body.stopped);
  const rows = body.order.map((k) => known.get(k));
  rows.forEach((r) => (r[STOPPED] = stopped.has(fixtureIn(r[0])) ? 1 : 0));
  fill({ columns: grid.columns, rows, version: body.version });
  return true;
};

/** Takes over an answer of the server; false when it has to be asked for all. */
export const take = (body) => {
  const done = body?.order ? merge(body) : true;
  if (body?.columns) {
    fill(body);
  }
  return done;
};

/** How the table is looked at, whoever is chosen. */
const viewed = () => {
  const parameters = new URLSearchParams(location.search);
  parameters.delete("sel");
  return parameters.toString();
};

const asked = async (since) => {
  const parameters = new URLSearchParams(viewed());
  if (since) {
    parameters.set("since", since);
  }
  const response = await get(`${box().dataset.rows}?${parameters}`, "application/json");
  return response.ok ? response.json() : null;
};

/** Fetches what is not shown yet, or what nobody has told of when asking; true when there is something to draw. */
export const fetchRows = async (asking = false) => {
  const element = box();
  if (!element) {
    return false;
  }
  // What is shown already stays; only what differs is asked for.
  const view = viewed();
  const shown = element.classList.contains("live") && grid.view === view;
  if (shown && !asking && grid.version >= shownVersion()) {
    return true;
  }
  const since = shown ? grid.version : 0;
  const body = await asked(since);
  if (!body || element !== box() || view !== viewed()) {
    return false;
  }
  const live = element.classList.contains("live") && grid.view === view;
  if (live && (!shown || since !== grid.version)) {
    // Another answer came first: what is newer than that is asked for behind it.
    return fetchRows(asking);
  }
  if (!take(body)) {
    take(await asked(0));
  }
  grid.view = view;
  element.classList.add("live");
  return true;
};
