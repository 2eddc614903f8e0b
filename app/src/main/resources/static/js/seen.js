// All universes that are seen, as a table that is kept true.

import { live, put, putRemarks, remarksOf, timeOf } from "./live.js";

const lines = (senders, words) => senders.map(words).join("\n");

const shown = (universe) => ({
  name: universe.name,
  planned: universe.planned.join(", ") || "none",
  sender: lines(universe.senders, (s) => s.name + (universe.senders.length > 1 ? (s.wins ? " (heard)" : " (not heard)") : "") + (s.preview ? ", preview" : "")),
  priority: lines(universe.senders, (s) => (universe.key.startsWith("sacn") ? s.priority + (s.slotPriorities ? ", by slot" : "") : "–")),
  rate: lines(universe.senders, (s) => s.rate.toFixed(1)),
  jitter: lines(universe.senders, (s) => `${s.jitterMillis.toFixed(1)} ms`),
  losses: lines(universe.senders, (s) => `${s.lost}, ${s.late}`),
  above: universe.heard ? universe.above : "",
});

const rowOf = (body, universe, at) => {
  let row = body.rows[at];
  if (row?.dataset.key !== universe.key) {
    const made = document.getElementById("seen-row").content.firstElementChild.cloneNode(true);
    made.dataset.key = universe.key;
    made.querySelector("a").href = `${location.pathname}/${universe.key}${location.search}`;
    body.insertBefore(made, row ?? null);
    row = made;
  }
  return row;
};

const drawRows = (body, universes) => {
  const wanted = new Set(universes.map((u) => u.key));
  [...body.rows].filter((row) => !wanted.has(row.dataset.key)).forEach((row) => row.remove());
  universes.forEach((universe, at) => {
    const row = rowOf(body, universe, at);
    const texts = shown(universe);
    row.querySelectorAll("[data-f]").forEach((cell) => put(cell, texts[cell.dataset.f]));
    putRemarks(row.querySelector("[data-remarks]"), remarksOf(universe));
  });
};

const drawTrouble = (element, words) => {
  element.hidden = words === "";
  put(element.querySelector("span"), words);
};

const troubles = (news) =>
  [
    news.notHeard,
    news.crowded && "Another program has this card's port of Art-Net too: of what is sent to this computer alone, only one of the two hears.",
    news.dropped > 0 && `This computer dropped ${news.dropped} packets that it could not read in time.`,
    news.malformed > 0 && `${news.malformed} packets were none of Art-Net or streaming ACN.`,
    news.beyond > 0 && `${news.beyond} packets of further universes were not looked at.`,
  ]
    .filter(Boolean)
    .join(" ");

const drawLog = (log) => {
  document.getElementById("no-log").hidden = log.length > 0;
  const list = document.getElementById("seen-log");
  const all = log.map((l) => `${timeOf(l.at)}  ${l.universe}: ${l.words}`);
  if (list.dataset.shown !== all.join("\n")) {
    list.dataset.shown = all.join("\n");
    list.replaceChildren(
      ...all.map((words) => {
        const item = document.createElement("li");
        item.textContent = words;
        return item;
      }),
    );
  }
};

const drawAnnounced = (announced) => {
  put(document.getElementById("announced-told"), announced.length ? `Said to be sent, and not listened for: ${announced.slice(0, 20).join(", ")}${announced.length > 20 ? " …" : ""}` : "");
  const list = document.getElementById("announced");
  if (list.children.length !== announced.length) {
    list.replaceChildren(...announced.map((n) => new Option(n, n)));
  }
};

live("#seen", (news, part) => {
  if (!news.listening) {
    put(document.getElementById("seen-sum"), "Nobody listens any more.");
    return;
  }
  put(
    document.getElementById("seen-sum"),
    `Listening at ${news.cards.join(" and ")} since ${timeOf(news.since)}. As planned: ${news.asPlanned} of ${news.planned}; missing: ${news.missing}; cannot be heard by this card: ${news.unhearable}.`,
  );
  drawTrouble(document.getElementById("seen-shift"), news.shift);
  drawTrouble(document.getElementById("seen-trouble"), troubles(news));
  drawRows(part.querySelector("#seen-table tbody"), news.universes);
  drawAnnounced(news.announced);
  drawLog(news.log);
});
