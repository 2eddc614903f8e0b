// The check list: says that the page is there while something may be raised from it, and raises without leaving the page.

import { post } from "./page.js";

const BEAT = 1000;
const unit = () => document.getElementById("check-unit");

setInterval(() => {
  const path = unit()?.dataset.alive;
  if (path && !document.hidden) {
    post(path, {});
  }
}, BEAT);

document.addEventListener("submit", async (event) => {
  const form = event.target.closest("#check-unit [data-raise]");
  if (!form) {
    return;
  }
  event.preventDefault();
  event.stopPropagation();
  const told = document.getElementById("raise-told");
  told.textContent = "";
  const answer = await post(new URL(form.action).pathname, Object.fromEntries(new FormData(form)));
  told.textContent = answer.ok ? answer.body.told || "It is raised." : answer.reason;
  document.dispatchEvent(new Event("taxon:held"));
}, true);
