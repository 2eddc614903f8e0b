// What was typed into the table and is not kept yet: sent one after the other, again when the server is back, never dropped.
// It outlives the page, so that one that is loaded again goes on with it.

import { back, doubt, say, tellKept } from "./connection.js";
import { post } from "./page.js";

const LATER = [0, 502, 503, 504, 507];
const AGAIN = 3000;

const PLACE = "taxon-unkept";

/** The job of the page; what waits for another one goes on being sent, whatever is looked at. */
const job = () => document.querySelector(".frame[data-job]")?.dataset.job;

const stored = () => {
  try {
    return JSON.parse(sessionStorage.getItem(PLACE) ?? "[]");
  } catch {
    return [];
  }
};

const waiting = stored();
let running = false;

const store = () => {
  if (waiting.length) {
    sessionStorage.setItem(PLACE, JSON.stringify(waiting));
  } else {
    sessionStorage.removeItem(PLACE);
  }
};

tellKept(() => (waiting.length ? `${waiting.length === 1 ? "One change is" : `${waiting.length} changes are`} kept here and sent when it is back` : ""));

/** What was typed into a cell and is not kept yet; nothing when the cell shows what is kept. */
export const unkept = (key, column) => waiting.findLast((e) => e.job === job() && e.key === key && e.column === column)?.text;

/** What a cell shows to whoever edits it on: the newest that was typed, kept or not. */
export const shown = (key, column, text) => unkept(key, column) ?? text;

/** Whoever typed on knows of this one: it is no conflict for what waits behind it. */
const follow = (one, version) => waiting.filter((e) => e.job === one).forEach((e) => e.own.push(version));

const pause = () => new Promise((done) => setTimeout(done, AGAIN));

const later = async (answer) => {
  if (answer.status === 0) {
    doubt();
    await pause();
    await back();
  } else {
    say(`Not kept yet: ${answer.reason || "the server has too much to do"} It is tried again.`);
    await pause();
  }
};

const sendAll = async (onKept, onRefused) => {
  while (waiting.length) {
    const [edit] = waiting;
    const answer = await post(`/jobs/${edit.job}/cells${edit.query}`, { version: edit.version, key: edit.key, column: edit.column, text: edit.text, own: edit.own.join(",") });
    if (LATER.includes(answer.status)) {
      await later(answer);
      continue;
    }
    waiting.shift();
    if (answer.ok) {
      follow(edit.job, answer.body.version);
      say("");
    }
    store();
    if (edit.job === job()) {
      await (answer.ok ? onKept : onRefused)(edit, answer);
    } else if (!answer.ok) {
      say(`“${edit.text}” was not kept in the job that you left. ${answer.reason}`);
    }
  }
};

/** Sends what waits, in the order in which it was typed. */
export const run = async (onKept, onRefused) => {
  if (running) {
    return;
  }
  running = true;
  try {
    await sendAll(onKept, onRefused);
  } finally {
    running = false;
  }
};

/** Takes an edit in. */
export const add = (edit) => {
  waiting.push({ ...edit, job: job(), own: [] });
  store();
};

export const isEmpty = () => waiting.length === 0;

window.addEventListener("beforeunload", (event) => {
  if (waiting.length) {
    event.preventDefault();
  }
});
