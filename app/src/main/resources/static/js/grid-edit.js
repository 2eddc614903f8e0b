// Typing into a cell of the rig table, and asking for changes of several. Every change is the server's work.

import { post, refresh } from "./page.js";
import { box, grid, keyOf, range, take, textOf } from "./grid-model.js";
import { add, isEmpty, run, shown } from "./outbox.js";
import { draw, editor, go, load, table } from "./grid-draw.js";
import { tell } from "./told.js";

let loaded = null;

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
  input.value = typed ?? shown(keyOf(grid.row), name, textOf(grid.row, grid.column));
  td.replaceChildren(input);
  input.focus();
};

/** Leaves the cell as it was. */
export const close = () => {
  editor()?.remove();
  draw();
  table()?.focus({ preventScroll: true });
};

const kept = async (edit, answer) => {
  answer.body.brought && tell(answer.body.brought);
  if (!take(answer.body)) {
    await load(true);
  }
  draw();
  clearTimeout(loaded);
  loaded = setTimeout(() => refresh(), 200);
};

/** Nobody loses what they typed: it stands in its cell again, or, where someone types elsewhere by now, in the message. */
const refused = async (edit, answer) => {
  const reason = answer.reason || `The server did not take it (${answer.status}); nothing has changed.`;
  await load(true);
  const column = grid.columns.findIndex((c) => c.name === edit.column);
  const row = grid.at.get(edit.key);
  if (editor() || row === undefined || column < 0) {
    tell(`“${edit.text}” was not kept. ${reason}`);
    return;
  }
  tell(reason);
  go(row, column, false);
  begin(edit.text);
  editor()?.setAttribute("aria-invalid", "true");
};

const send = (key, column, text) => {
  add({ key, column, text, version: grid.version, query: location.search });
  draw();
  run(kept, refused);
};

/** Takes what was typed and goes on. */
export const commit = (down, right) => {
  const input = editor();
  const [row, column, text] = [grid.row, grid.column, input.value];
  const { name } = grid.columns[column];
  const key = keyOf(row);
  const changed = text.trim() !== shown(key, name, textOf(row, column)).trim();
  tell("");
  close();
  go(row + down, column + right, false);
  if (changed) {
    send(key, name, text);
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
    send(key, grid.columns[grid.column].name, "");
  }
};

/** Goes on with what a page before this one could not send any more. */
export const goOn = () => !isEmpty() && run(kept, refused);
