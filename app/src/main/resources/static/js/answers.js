// Answers that are no page to go on with: the page stays, with what was typed in it, and says what happened.

import { doubt } from "./connection.js";

const sentence = (request) => {
  const page = new DOMParser().parseFromString(request.responseText ?? "", "text/html");
  const words = page.querySelector(".refused")?.textContent.trim();
  return words || `The server answered with an error (${request.status}).`;
};

const tell = (words) => {
  let told = document.getElementById("failed");
  if (!told) {
    told = document.createElement("div");
    told.id = "failed";
    told.className = "refused";
    told.setAttribute("role", "alert");
    (document.querySelector("main") ?? document.body).prepend(told);
  }
  told.textContent = words;
  told.scrollIntoView({ block: "nearest" });
};

document.addEventListener("htmx:responseError", (event) => {
  tell(`${sentence(event.detail.xhr)} What you typed is still here.`);
});

document.addEventListener("htmx:sendError", (event) => {
  if (event.detail.requestConfig?.verb !== "get") {
    tell("Not sent: Taxon does not answer. What you typed is still here; send it again when it is back.");
  }
  doubt();
});

document.addEventListener("htmx:timeout", doubt);

// What was told of a form that failed goes when one is sent again.
document.addEventListener("htmx:beforeRequest", (event) => {
  if (event.detail.requestConfig?.verb !== "get") {
    document.getElementById("failed")?.remove();
  }
});

