// Typing into a cell of the rig table, and asking for changes of several. Every change is the server's work.

import { post, refresh } from "./page.js";
import { box, grid, keyOf, range, take, textOf } from "./grid-model.js";
import { draw, editor, go, load, table, tell } from "./grid-draw.js";

let loaded = null;
let sending = Promise.resolve();

/** Begins to type into the active cell. */
export const begin = (typed) => {
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

/** Leaves the cell as it was. */
export const close = () => {
  editor()?.remove();
  draw();
  table()?.focus({ preventScroll: true });
};

const send = async (key, row, column, text) => {
  const { job } = box().dataset;
  const answer = await post(`/jobs/${job}/cells${location.search}`, { version: grid.version, key, column, text });
  if (!answer.ok) {
    tell(answer.reason || "The server did not take it; nothing has changed.");
    await load(true);
    go(grid.at.get(key) ?? row, grid.columns.findIndex((c) => c.name === column), false);
    begin(text);
    editor()?.setAttribute("aria-invalid", "true");
    return;
  }
  answer.body.brought && tell(answer.body.brought);
  if (!take(answer.body)) {
    await load(true);
  }
  draw();
  clearTimeout(loaded);
  loaded = setTimeout(() => refresh(), 200);
};

/** Takes what was typed and goes on. */
export const commit = (down, right) => {
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

/** Asks for a proposal and goes to its page. */
export const propose = async (path, fields) => {
  const answer = await post(`/jobs/${box().dataset.job}/cells/${path}${location.search}`, { version: grid.version, back: location.pathname + location.search, ...fields });
  if (answer.ok) {
    location.assign(answer.body.next);
  } else {
    tell(answer.reason);
  }
};

export const onColumn = (path, more) => {
  if (grid.column !== grid.fromColumn) {
    tell("Choose cells of one column.");
    return;
  }
  propose(path, { column: grid.columns[grid.column].name, keys: range().map(keyOf).join(","), ...more });
};

/** Two first cells that differ say the step; else the first one counts on alone. */
export const series = () => {
  const [one, two] = range();
  const seeds = two !== undefined && range().length > 2 && textOf(two, grid.column) !== "" && textOf(one, grid.column) !== textOf(two, grid.column) ? 2 : 1;
  onColumn("series", { seeds });
};

export const clear = () => {
  if (range().length > 1) {
    onColumn("fill", { text: "" });
  } else if (grid.columns[grid.column].edited && textOf(grid.row, grid.column) !== "") {
    const key = keyOf(grid.row);
    const [row, { name }] = [grid.row, grid.columns[grid.column]];
    sending = sending.then(() => send(key, row, name, ""));
  }
};
