// Says that a page is there from which something may be raised, as long as somebody looks at it.

import { post } from "./page.js";

const BEAT = 1000;

setInterval(() => {
  const path = document.querySelector("[data-alive]")?.dataset.alive;
  if (path && !document.hidden) {
    post(path, {});
  }
}, BEAT);
