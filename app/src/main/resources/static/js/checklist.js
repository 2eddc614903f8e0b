// The check list: raises without leaving the page.

import { post } from "./page.js";

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
