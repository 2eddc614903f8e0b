// The rig table: only the rows in sight are in the page; cells are edited with the keyboard.
// Sorting, filtering and every change are the server's work; this file shows, moves and types.

import { choose, choosing, chosen, post, refresh, shownVersion } from "./page.js";

const ROW = 29;
const MARGIN = 12;
const FIXED = 4;
const STOPPED = 3;

const grid = { columns: [], rows: [], order: [], at: new Map(), version: 0, row: 0, column: 0, from: 0, fromColumn: 0, last: 0 };
let loaded = null;
let sending = Promise.resolve();

const box = () => document.getElementById("grid");
const table = () => box()?.querySelector("table");
const editor = () => document.getElementById("cell-editor");
const tell = (words) => (document.getElementById("grid-told").textContent = words);
const clamp = (value, most) => Math.max(0, Math.min(value, most));
const textOf = (row, column) => grid.rows[row][FIXED + column];
const keyOf = (row) => grid.rows[row][0];

// Showing

const fill = (body) => {
  grid.columns = body.columns;
  grid.rows = body.rows;
  grid.order = body.rows.map((r) => r[0]);
  grid.at = new Map(grid.order.map((k, i) => [k, i]));
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
  rows.forEach((r) => (r[STOPPED] = stopped.has(r[0]) ? 1 : 0));
  fill({ columns: grid.columns, rows, version: body.version });
  return true;
};

const take = (body) => {
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
  const response = await fetch(`${box().dataset.rows}?${parameters}`, { headers: { Accept: "application/json" } });
  return response.ok ? response.json() : null;
};

const load = async () => {
  const element = box();
  if (!element) {
    return;
  }
  // What is shown already stays; only what differs is asked for.
  const view = viewed();
  const shown = element.classList.contains("live") && grid.view === view;
  if (shown && grid.version >= shownVersion()) {
    draw();
    return;
  }
  const since = shown ? grid.version : 0;
  const body = await asked(since);
  if (!body || element !== box() || view !== viewed() || (shown && since !== grid.version)) {
    return;
  }
  if (!take(body)) {
    take(await asked(0));
  }
  grid.view = view;
  element.classList.add("live");
  draw();
};

const cell = (row, column, marked) => {
  const td = document.createElement("td");
  const shown = textOf(row, column);
  td.id = `c-${row}-${column}`;
  td.dataset.r = row;
  td.dataset.c = column;
  td.textContent = shown;
  td.title = shown.length > 12 ? shown : "";
  const { name, edited } = grid.columns[column];
  td.className = `${edited ? "" : "derived"} ${["id", "unit", "offset", "address", "slots"].includes(name) ? "num" : ""} ${marked ? "marked" : ""}`;
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
  const [key, tint, , stopped] = grid.rows[row];
  const tr = document.createElement("tr");
  tr.dataset.k = key;
  tr.setAttribute("aria-rowindex", row + 2);
  tr.setAttribute("aria-selected", keys.has(key));
  tr.classList.toggle("chosen", keys.has(key));
  tr.classList.toggle("stopped", stopped === 1);
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

const draw = () => {
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

const go = (row, column, extending) => {
  grid.row = clamp(row, grid.rows.length - 1);
  grid.column = clamp(column, grid.columns.length - 1);
  if (!extending) {
    grid.from = grid.row;
    grid.fromColumn = grid.column;
  }
  inSight();
  draw();
};

// Editing one cell

const begin = (typed) => {
  const { edited, title, name } = grid.columns[grid.column];
  if (!edited) {
    tell(`${title} is worked out from the others; it cannot be typed.`);
    return;
  }
  draw();
  const td = document.getElementById(`c-${grid.row}-${grid.column}`);
  const input = document.createElement("input");
  input.id = "cell-editor";
  input.autocomplete = "off";
  input.setAttribute("aria-label", `${title} of ${textOf(grid.row, 0) || "this fixture"}`);
  if (name === "position") {
    input.setAttribute("list", "positions");
  }
  input.value = typed ?? textOf(grid.row, grid.column);
  td.replaceChildren(input);
  input.focus();
};

const close = () => {
  editor()?.remove();
  draw();
  table()?.focus({ preventScroll: true });
};

const send = async (key, row, column, text) => {
  const { job } = box().dataset;
  const answer = await post(`/jobs/${job}/cells${location.search}`, { version: grid.version, key, column, text });
  if (!answer.ok) {
    tell(answer.reason || "The server did not take it; nothing has changed.");
    await load();
    go(grid.at.get(key) ?? row, grid.columns.findIndex((c) => c.name === column), false);
    begin(text);
    editor()?.setAttribute("aria-invalid", "true");
    return;
  }
  answer.body.brought && tell(answer.body.brought);
  if (!take(answer.body)) {
    await load();
  }
  draw();
  clearTimeout(loaded);
  loaded = setTimeout(() => refresh(), 200);
};

const commit = (down, right) => {
  const input = editor();
  const [row, column, text] = [grid.row, grid.column, input.value];
  const changed = text.trim() !== textOf(row, column).trim();
  const { name } = grid.columns[column];
  const key = keyOf(row);
  tell("");
  close();
  go(row + down, column + right, false);
  if (changed) {
    sending = sending.then(() => send(key, row, name, text));
  }
};

// Several cells

const range = () => {
  const rows = [];
  for (let r = Math.min(grid.from, grid.row); r <= Math.max(grid.from, grid.row); r += 1) {
    rows.push(r);
  }
  return rows;
};

const propose = async (path, fields) => {
  const answer = await post(`/jobs/${box().dataset.job}/cells/${path}${location.search}`, { version: grid.version, back: location.pathname + location.search, ...fields });
  if (answer.ok) {
    location.assign(answer.body.next);
  } else {
    tell(answer.reason);
  }
};

const onColumn = (path, more) => {
  if (grid.column !== grid.fromColumn) {
    tell("Choose cells of one column.");
    return;
  }
  propose(path, { column: grid.columns[grid.column].name, keys: range().map(keyOf).join(","), ...more });
};

/** Two first cells that differ say the step; else the first one counts on alone. */
const series = () => {
  const [one, two] = range();
  const seeds = two !== undefined && range().length > 2 && textOf(two, grid.column) !== "" && textOf(one, grid.column) !== textOf(two, grid.column) ? 2 : 1;
  onColumn("series", { seeds });
};

const clear = () => {
  if (range().length > 1) {
    onColumn("fill", { text: "" });
  } else if (grid.columns[grid.column].edited && textOf(grid.row, grid.column) !== "") {
    const key = keyOf(grid.row);
    const [row, { name }] = [grid.row, grid.columns[grid.column]];
    sending = sending.then(() => send(key, row, name, ""));
  }
};

const chooseRows = () => {
  const keys = chosen();
  const rows = range().map(keyOf);
  const all = rows.every((k) => keys.has(k));
  rows.forEach((k) => (all ? keys.delete(k) : keys.add(k)));
  choose(keys);
};

// Keys

const moves = {
  ArrowUp: (e) => go(e.ctrlKey ? 0 : grid.row - 1, grid.column, e.shiftKey),
  ArrowDown: (e) => go(e.ctrlKey ? grid.rows.length : grid.row + 1, grid.column, e.shiftKey),
  ArrowLeft: (e) => go(grid.row, grid.column - 1, e.shiftKey),
  ArrowRight: (e) => go(grid.row, grid.column + 1, e.shiftKey),
  PageUp: (e) => go(grid.row - 15, grid.column, e.shiftKey),
  PageDown: (e) => go(grid.row + 15, grid.column, e.shiftKey),
  Home: (e) => go(e.ctrlKey ? 0 : grid.row, 0, e.shiftKey),
  End: (e) => go(e.ctrlKey ? grid.rows.length : grid.row, grid.columns.length, e.shiftKey),
  Enter: () => begin(),
  F2: () => begin(),
  Delete: clear,
  Backspace: clear,
  " ": chooseRows,
};

const withCtrl = (event) => {
  if (event.key.toLowerCase() === "d") {
    (event.shiftKey ? series : () => onColumn("fill", {}))();
    return true;
  }
  if (event.key.toLowerCase() === "a") {
    grid.from = 0;
    go(grid.rows.length, grid.column, true);
    return true;
  }
  return false;
};

const tab = (event) => {
  const next = grid.column + (event.shiftKey ? -1 : 1);
  // At its ends the table lets go, so that the page can be walked through.
  if (next < 0 || next >= grid.columns.length) {
    return false;
  }
  go(grid.row, next, false);
  return true;
};

const onKey = (event) => {
  if ((event.ctrlKey || event.metaKey) && withCtrl(event)) {
    return true;
  }
  if (event.key === "Tab") {
    return tab(event);
  }
  if (moves[event.key]) {
    moves[event.key](event);
    return true;
  }
  if (event.key.length === 1 && !event.ctrlKey && !event.metaKey && !event.altKey) {
    begin(event.key);
    return true;
  }
  return false;
};

const onEditorKey = (event) => {
  const done = { Enter: [event.shiftKey ? -1 : 1, 0], Tab: [0, event.shiftKey ? -1 : 1] }[event.key];
  if (done) {
    commit(...done);
    return true;
  }
  if (event.key === "Escape") {
    close();
    tell("");
    return true;
  }
  return false;
};

document.addEventListener(
  "keydown",
  (event) => {
    const editing = event.target.id === "cell-editor";
    if ((editing && onEditorKey(event)) || (event.target === table() && grid.rows.length && onKey(event))) {
      event.preventDefault();
      event.stopPropagation();
    }
  },
  true,
);

// The clipboard

document.addEventListener("copy", (event) => {
  if (event.target === table() || document.activeElement === table()) {
    const columns = [Math.min(grid.fromColumn, grid.column), Math.max(grid.fromColumn, grid.column) + 1];
    const quoted = (t) => (/["\t\n]/.test(t) ? `"${t.replaceAll('"', '""')}"` : t);
    const lines = range().map((r) => grid.rows[r].slice(FIXED + columns[0], FIXED + columns[1]).map(quoted).join("\t"));
    event.clipboardData.setData("text/plain", `${lines.join("\n")}\n`);
    event.preventDefault();
    tell(lines.length === 1 ? "1 row copied." : `${lines.length} rows copied.`);
  }
});

document.addEventListener("paste", (event) => {
  if (document.activeElement === table() && grid.rows.length) {
    event.preventDefault();
    const rows = event.clipboardData.getData("text/plain");
    propose("paste", { rows, key: keyOf(Math.min(grid.from, grid.row)), column: grid.columns[Math.min(grid.fromColumn, grid.column)].name });
  }
});

// The pointer

let pulling = false;

document.addEventListener("mousedown", (event) => {
  const td = event.target.closest?.("#grid.live td");
  if (!td || event.button !== 0 || event.target === editor()) {
    return;
  }
  event.preventDefault();
  if (editor()) {
    commit(0, 0);
  }
  const row = Number(td.dataset.r);
  table().focus({ preventScroll: true });
  if (td.classList.contains("tick") || grid.columns[Number(td.dataset.c)]?.name === "id") {
    const ticking = td.classList.contains("tick") && !event.shiftKey;
    const keys = choosing(ticking ? { ctrlKey: true } : event, keyOf(row), grid.order, grid.last);
    grid.last = keyOf(row);
    choose(keys);
  }
  if (td.dataset.c !== undefined) {
    pulling = true;
    go(row, Number(td.dataset.c), event.shiftKey);
  }
});

document.addEventListener("mouseover", (event) => {
  const td = pulling ? event.target.closest?.("#grid.live td[data-c]") : null;
  if (td) {
    go(Number(td.dataset.r), Number(td.dataset.c), true);
  }
});
document.addEventListener("mouseup", () => (pulling = false));
document.addEventListener("dblclick", (event) => event.target.closest?.("#grid.live td[data-c]") && begin());
document.addEventListener("focusout", (event) => event.target.id === "cell-editor" && event.target.isConnected && event.relatedTarget && commit(0, 0));
document.addEventListener("click", (event) => {
  const how = event.target.closest?.("[data-grid]")?.dataset.grid;
  if (how) {
    ({ fill: () => onColumn("fill", {}), series })[how]();
  }
});

// Beginnings

let waiting = false;
document.addEventListener("scroll", (event) => {
  if (event.target === box() && !waiting) {
    waiting = true;
    requestAnimationFrame(() => {
      waiting = false;
      draw();
    });
  }
}, true);
document.addEventListener("taxon:chosen", draw);
document.addEventListener("taxon:fresh", () => !editor() && load());
document.addEventListener("htmx:afterSettle", () => box() && !box().classList.contains("live") && load());
load();
