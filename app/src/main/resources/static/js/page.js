// What every page of a job shares: asking the server, choosing fixtures, and following what others do.
// A part of a page is an element with data-part; it is replaced by its newer self unless someone is typing in it.

import { doubt } from "./connection.js";

const frame = () => document.querySelector(".frame[data-job]");

export const shownVersion = () => Number(frame()?.dataset.version ?? 0);

/** The version of which the parts of the page are, which an edit of our own leaves behind until they are fetched. */
let drawnVersion = shownVersion();
document.addEventListener("htmx:afterSettle", () => (drawnVersion = shownVersion()));

const token = () => document.cookie.split("; ").find((c) => c.startsWith("XSRF-TOKEN="))?.slice(11) ?? "";

const sent = async (path, fields) => {
  try {
    return await fetch(path, {
      method: "POST",
      headers: { Accept: "application/json", "X-XSRF-TOKEN": decodeURIComponent(token()) },
      body: new URLSearchParams(fields),
    });
  } catch {
    return null;
  }
};

/** Posts fields and gives the status and what was answered as JSON; status 0 when nothing answered. */
export const post = async (path, fields) => {
  const response = await sent(path, fields);
  if (response === null) {
    doubt();
    return { ok: false, status: 0, body: {}, reason: "Not kept: Taxon does not answer. Do it again when it is back." };
  }
  const body = await response.json().catch(() => ({}));
  if (response.ok && body.version && path.startsWith(`/jobs/${frame()?.dataset.job}/`)) {
    // What we did ourselves to the job of this page is no news.
    frame().dataset.version = Math.max(body.version, shownVersion());
  }
  return { ok: response.ok, status: response.status, body, reason: (body.reasons ?? []).map((r) => r.sentence).join(" ") };
};

const typingIn = (element) =>
  element.contains(document.activeElement) && document.activeElement.matches("input, textarea, select");

const isChanged = (field) => {
  if (field.matches("select")) {
    return [...field.options].some((o) => o.selected !== o.defaultSelected) && [...field.options].some((o) => o.defaultSelected);
  }
  return field.matches("[type=checkbox], [type=radio]") ? field.checked !== field.defaultChecked : field.value !== field.defaultValue;
};

/** True when replacing the element would lose what someone is typing. */
const isBusy = (element) =>
  typingIn(element) || [...element.querySelectorAll("input:not([type=hidden]), textarea, select")].some(isChanged);

// Requests that change the page, from their beginning to their end, however they end.
let underWay = 0;
let missed = false;
const fetchMissed = () => missed && !isHeld() && refresh();
document.addEventListener("htmx:beforeRequest", () => (underWay += 1));
document.addEventListener("htmx:afterRequest", () => {
  underWay = Math.max(0, underWay - 1);
  fetchMissed();
});

// What the pointer holds on a drawing is not swapped under the hand.
let pressed = false;
const isHeld = () => pressed || underWay > 0;
const letGo = () => {
  pressed = false;
  fetchMissed();
};
document.addEventListener("pointerdown", (event) => (pressed = event.button === 0 && Boolean(event.target.closest?.("svg"))));
document.addEventListener("pointerup", letGo);
document.addEventListener("pointercancel", letGo);
document.addEventListener("pointermove", (event) => pressed && event.buttons === 0 && letGo());

const swap = (old, fresh) => {
  const focused = old.contains(document.activeElement) ? document.activeElement.id : "";
  const adopted = document.adoptNode(fresh);
  old.replaceWith(adopted);
  window.htmx?.process(adopted);
  if (focused) {
    document.getElementById(focused)?.focus();
  }
};

const partsOf = (root) => [...root.querySelectorAll("[data-part]")].filter((p) => !p.parentElement.closest("[data-part]"));

const swapParts = (fresh, skipped, whole) => {
  const before = new Map(partsOf(document).map((p) => [p.dataset.part, p]));
  let kept = 0;
  for (const part of partsOf(fresh)) {
    const old = before.get(part.dataset.part);
    before.delete(part.dataset.part);
    if (!old || skipped.includes(part.dataset.part)) {
      continue;
    }
    if (part.dataset.drawing && old.querySelector("svg")) {
      // What is drawn stays until it is drawn anew.
      delete old.dataset.asked;
      continue;
    }
    if (isBusy(old)) {
      kept += 1;
    } else {
      swap(old, part);
    }
  }
  if (!whole) {
    return kept;
  }
  before.forEach((gone) => !isBusy(gone) && !skipped.includes(gone.dataset.part) && gone.remove());
  return kept;
};

/** A get that gives nothing when the server does not answer, which the strip then says. */
export const get = async (address, accept) => {
  try {
    return await fetch(address, { headers: { Accept: accept } });
  } catch {
    doubt();
    return { ok: false, status: 0 };
  }
};

const fetched = async (address) => {
  const response = await get(address, "text/html");
  const page = response.ok ? new DOMParser().parseFromString(await response.text(), "text/html") : null;
  return page?.querySelector(".frame") ? page : null;
};

/** What differs from this page as it is, where it can tell; nothing when all of it is to be fetched. */
const fetchedChanges = async () => {
  const changed = document.querySelector("[data-changed]")?.dataset.changed;
  if (!changed) {
    return null;
  }
  const parameters = new URLSearchParams(location.search);
  parameters.set("since", drawnVersion);
  return fetched(`${changed}?${parameters}`);
};

/** Forms that were not swapped show nothing that has changed, so that they are about the job as it is. */
const carryForward = (version) =>
  document.querySelectorAll("input[type=hidden][name=version]").forEach((field) => {
    const part = field.closest("[data-part]");
    if (!part || !isBusy(part)) {
      field.value = version;
    }
  });

/** Fetches what has changed and replaces those parts; gives how many were kept because of what is typed in them. */
export const refresh = async (skipped = []) => {
  const changes = await fetchedChanges();
  const fresh = changes ?? (await fetched(location.href));
  const newer = fresh?.querySelector(".frame");
  // What came meanwhile would be replaced by what is on its way, or taken from the hand: it is fetched again behind that.
  missed = isHeld();
  if (missed || !newer || Number(newer.dataset.version) < shownVersion()) {
    return 0;
  }
  const work = document.getElementById("work");
  const inParts = changes !== null || work.querySelector("[data-part]") !== null;
  let kept = swapParts(fresh, skipped, changes === null);
  if (changes !== null) {
    carryForward(newer.dataset.version);
  } else if (!inParts && isBusy(work)) {
    kept += 1;
  } else if (!inParts) {
    swap(work, fresh.getElementById("work"));
  }
  frame().className = newer.className;
  frame().dataset.version = newer.dataset.version;
  drawnVersion = newer.dataset.version;
  document.dispatchEvent(new CustomEvent("taxon:fresh"));
  return kept;
};

/** The keys of the fixtures that are chosen, as they stand in the address. */
export const chosen = () => {
  const keys = new Set();
  for (const run of (new URLSearchParams(location.search).get("sel") ?? "").split(",")) {
    const [first, last] = run.split("-").map(Number);
    for (let k = first; k <= (last || first) && keys.size < 20000; k += 1) {
      keys.add(k);
    }
  }
  keys.delete(0);
  return keys;
};

const runs = (keys) => {
  const sorted = [...keys].sort((a, b) => a - b);
  const words = [];
  for (let from = 0; from < sorted.length; ) {
    let to = from;
    while (sorted[to + 1] === sorted[to] + 1) {
      to += 1;
    }
    if (to - from >= 2) {
      words.push(`${sorted[from]}-${sorted[to]}`);
    } else {
      words.push(...sorted.slice(from, to + 1));
    }
    from = to + 1;
  }
  return words.join(",");
};

/** Chooses these fixtures and no others: in the address, on the drawing, in the table and on the card. */
export const choose = (keys) => {
  const parameters = new URLSearchParams(location.search);
  parameters.delete("sel");
  const rest = parameters.toString();
  const query = [keys.size ? `sel=${runs(keys)}` : "", rest].filter(Boolean).join("&");
  history.replaceState(history.state, "", location.pathname + (query ? `?${query}` : ""));
  document.querySelectorAll("[data-k]").forEach((e) => e.classList.toggle("chosen", keys.has(Number(e.dataset.k))));
  document.dispatchEvent(new CustomEvent("taxon:chosen"));
  return refresh(["above", "bars"]);
};

/** What choosing one of an ordered list does: alone, with Ctrl in or out, with Shift the run from the last one. */
export const choosing = (event, key, order, last) => {
  const keys = event.ctrlKey || event.metaKey || event.shiftKey ? chosen() : new Set();
  const from = order.indexOf(last);
  const to = order.indexOf(key);
  if (event.shiftKey && from >= 0 && to >= 0) {
    order.slice(Math.min(from, to), Math.max(from, to) + 1).forEach((k) => keys.add(k));
  } else if ((event.ctrlKey || event.metaKey) && keys.has(key)) {
    keys.delete(key);
  } else {
    keys.add(key);
  }
  return keys;
};

const tell = (words) => {
  const news = document.getElementById("news");
  if (news) {
    news.textContent = words;
  }
};

const pause = () => new Promise((done) => setTimeout(done, 150));

let stream = null;
let followed = "";

const follow = () => {
  const job = document.hidden ? "" : (frame()?.dataset.job ?? "");
  if (job === followed) {
    return;
  }
  stream?.close();
  stream = null;
  followed = job;
  if (job === "") {
    return;
  }
  stream = new EventSource(`/jobs/${job}/follow`);
  stream.addEventListener("error", doubt);
  stream.addEventListener("change", async (event) => {
    const change = JSON.parse(event.data);
    if (change.version <= shownVersion()) {
      return;
    }
    await pause();
    // A page that waits for its own answer learns of it there.
    for (let tries = 0; underWay > 0 && tries < 50; tries += 1) {
      await pause();
    }
    if (change.version > shownVersion()) {
      const kept = await refresh();
      tell(change.title ? `${change.who}: ${change.title}.${kept ? " What you are typing is kept." : ""}` : "");
    }
  });
};

// What happened while the page was cut off is fetched at once; the stream may have given up.
document.addEventListener("taxon:back", () => {
  if (stream?.readyState === EventSource.CLOSED) {
    followed = "";
    follow();
  }
  frame() && refresh();
});
document.addEventListener("visibilitychange", follow);
document.addEventListener("htmx:afterSettle", follow);
// A choice that stands in a sentence is sent as soon as it is made.
document.addEventListener("change", (event) => event.target.matches?.("[data-sends]") && event.target.form.requestSubmit());
follow();
