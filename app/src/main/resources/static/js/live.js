// Follows what is true now, and draws it: for as long as the page has the part that shows it and somebody looks.

import { doubt } from "./connection.js";

let stream = null;
let part = null;

const end = () => {
  stream?.close();
  stream = null;
  part = null;
};

/** Draws each piece of news of a part that names its stream, until the part is gone. */
export const live = (selector, draw) => {
  const begin = () => {
    const now = document.hidden ? null : document.querySelector(selector);
    if (now === part) {
      return;
    }
    end();
    if (!now) {
      return;
    }
    part = now;
    stream = new EventSource(now.dataset.live);
    stream.addEventListener("error", doubt);
    stream.addEventListener("now", (event) => part?.isConnected && draw(JSON.parse(event.data), part));
  };
  document.addEventListener("htmx:afterSettle", begin);
  document.addEventListener("visibilitychange", begin);
  document.addEventListener("taxon:back", () => {
    end();
    begin();
  });
  begin();
};

/** Puts a text where another one stands. */
export const put = (element, text) => {
  if (element.textContent !== String(text)) {
    element.textContent = text;
  }
};

/** Remarks with their marks, drawn anew only when they say something else. */
export const putRemarks = (cell, remarks) => {
  const all = JSON.stringify(remarks);
  if (cell.dataset.shown === all) {
    return;
  }
  cell.dataset.shown = all;
  cell.replaceChildren(
    ...remarks.map(({ weight, sentence }) => {
      const made = document.querySelector(`template[data-remark="${weight}"]`).content.firstElementChild.cloneNode(true);
      made.querySelector("span").textContent = sentence;
      return made;
    }),
  );
};

/** The remarks of a universe; one that is as planned and of which nothing is to be said says so. */
export const remarksOf = (universe) =>
  universe.remarks.length || !universe.asPlanned ? universe.remarks : [{ weight: "moss", sentence: "As planned" }];

/** "18:05:07 UTC". */
export const timeOf = (instant) => `${instant.slice(11, 19)} UTC`;
