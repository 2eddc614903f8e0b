// Driving by hand: says that the page is there, sends what is raised, and shows what is held and what keeps a unit dark.

import { live, put, putRemarks, timeOf } from "./live.js";
import { post } from "./page.js";

const BEAT = 1000;
const SLIDING = 50;

const part = () => document.getElementById("driving");
const isArmed = () => part()?.dataset.state === "armed";

const tell = (answer) => {
  const reason = document.getElementById("drive-reason");
  const told = document.getElementById("drive-told");
  if (reason && told) {
    put(reason, answer.ok ? "" : answer.reason);
    put(told, answer.ok ? (answer.body.told ?? "") : "");
  }
};

const send = async (what, fields = {}) => {
  // What was said when the page was made is not true any more.
  document.querySelector("main > .told")?.remove();
  const answer = await post(`${part().dataset.at}/${what}`, fields);
  tell(answer);
  document.dispatchEvent(new Event("taxon:held"));
  return answer;
};

/** Only the unit is drawn anew; where one slides a level, nothing is. */
const renewUnit = async () => {
  const response = await fetch(location.pathname, { headers: { Accept: "text/html" }, cache: "no-store" });
  const fresh = new DOMParser().parseFromString(await response.text(), "text/html").querySelector(".one-unit");
  document.querySelector(".one-unit")?.replaceWith(document.adoptNode(fresh));
};

const fieldsOf = ({ what, family, percent, fixture, to }) =>
  Object.fromEntries(Object.entries({ what, family, percent, fixture, to }).filter(([, v]) => v !== undefined));

const pressed = async (button) => {
  const { post: what } = button.dataset;
  const fields = fieldsOf(button.dataset);
  const cell = document.getElementById("part")?.value;
  if (fields.what === "visible" && cell) {
    fields.part = cell;
  }
  await send(what, fields);
  if (what === "step" || what === "look") {
    await renewUnit();
  } else if (what === "let-go") {
    location.reload();
  }
};

const rowOf = (element) => {
  const row = element.closest("tr[data-index]");
  return { fixture: row.closest("table").dataset.fixture, block: row.dataset.block, index: row.dataset.index };
};

document.addEventListener("click", (event) => {
  const button = event.target.closest?.("#driving [data-post]");
  if (button) {
    event.preventDefault();
    pressed(button);
  } else if (event.target.matches?.("#driving [data-release]")) {
    send("release", rowOf(event.target));
  } else if (event.target.matches?.("#driving [data-release-slot]")) {
    send("release", { slot: event.target.closest("tr").querySelector("[data-f=slot]").textContent });
  }
});

let waiting = null;

const slide = (slider) => {
  waiting ??= setTimeout(() => {
    waiting = null;
    send("set", { what: "channel", ...rowOf(slider), value: slider.value });
  }, SLIDING);
};

document.addEventListener("input", (event) => event.target.matches?.("#unit-channels input[type=range]") && slide(event.target));

document.addEventListener("change", async (event) => {
  if (event.target.id === "unit-pick" && event.target.value) {
    await send("step", { to: event.target.value });
    await renewUnit();
  } else if (event.target.id === "auto") {
    await send("step", { seconds: event.target.value });
  }
});

document.addEventListener("submit", async (event) => {
  const form = event.target.closest?.("#driving form[data-send]");
  if (!form) {
    return;
  }
  event.preventDefault();
  const answer = await send(form.dataset.send, Object.fromEntries(new FormData(form)));
  if (answer.ok && form.dataset.send !== "set") {
    location.reload();
  }
});

setInterval(() => isArmed() && post(`${part().dataset.at}/alive`, {}), BEAT);

const drawRows = (table, template, rows, draw) => {
  const body = table.tBodies[0];
  rows.forEach((row, i) => {
    if (!body.rows[i]) {
      body.append(document.getElementById(template).content.firstElementChild.cloneNode(true));
    }
    draw(body.rows[i], row);
  });
  while (body.rows.length > rows.length) {
    body.lastElementChild.remove();
  }
};

const drawWay = (row, way) => {
  put(row.querySelector("[data-f=universe]"), way.universe);
  put(row.querySelector("[data-f=on]"), way.priority ? `${way.on}, priority ${way.priority}` : way.on);
  put(row.querySelector("[data-f=to]"), `${way.box}, ${way.to}`);
  putRemarks(row.querySelector("[data-remarks]"), [{ weight: way.allowed ? (way.onlyBrighter ? "warn" : "note") : "stop", sentence: way.says }]);
};

const drawHeld = (row, held) => {
  put(row.querySelector("[data-f=slot]"), held.slot);
  put(row.querySelector("[data-f=level]"), held.level);
  put(row.querySelector("[data-f=since]"), timeOf(held.since));
  put(row.querySelector("[data-f=who]"), held.who);
};

const drawChannel = (table, channel) => {
  const row = table.querySelector(`tr[data-block="${channel.block}"][data-index="${channel.index}"]`);
  if (!row) {
    return;
  }
  const slider = row.querySelector("input");
  if (document.activeElement !== slider) {
    slider.value = channel.value;
  }
  row.classList.toggle("is-held", channel.held);
  row.querySelector("[data-release]").hidden = !channel.held;
  put(row.querySelector("[data-now]"), `${channel.value} (${channel.percent} %)`);
  put(row.querySelector("[data-which]"), channel.run);
};

let renewing = false;

const drawUnit = async (unit) => {
  const shown = document.querySelector(".one-unit");
  if (shown && Number(shown.dataset.key) !== (unit?.key ?? 0) && !renewing) {
    renewing = true;
    await renewUnit();
    renewing = false;
    return;
  }
  const table = document.getElementById("unit-channels");
  if (table && unit) {
    put(document.getElementById("unit-dark"), [unit.dark, unit.way].filter(Boolean).join(" "));
    unit.channels.forEach((c) => drawChannel(table, c));
  }
};

const minutes = (seconds) => (seconds >= 120 ? `${Math.floor(seconds / 60)} min` : `${seconds} s`);

const drawArmed = (news) => {
  put(document.getElementById("drive-left"), `${minutes(news.secondsLeft)} left. ${news.heldCount} ${news.heldCount === 1 ? "slot" : "slots"} held.`);
  const table = document.getElementById("held-slots");
  table.hidden = news.heldCount === 0;
  document.getElementById("nothing-held").hidden = news.heldCount > 0;
  drawRows(table, "held-slot", news.held, drawHeld);
  drawUnit(news.unit);
};

live("#driving", (news, driving) => {
  drawRows(driving.querySelector("#ways"), "way", news.ways, drawWay);
  put(document.getElementById("drive-trouble"), [...news.cannot, news.trouble].filter(Boolean).join(" "));
  if (news.state !== driving.dataset.state && news.state === "ready") {
    driving.dataset.state = "ready";
    document.getElementById("arm-it").disabled = !news.ways.some((w) => w.allowed);
    put(document.getElementById("arm-told"), news.ways.every((w) => w.allowed) ? "" : "What cannot be driven is left out.");
  } else if (news.state !== driving.dataset.state) {
    location.reload();
  } else if (news.state === "armed") {
    drawArmed(news);
  }
});
