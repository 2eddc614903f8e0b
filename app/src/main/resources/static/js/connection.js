// Whether the server answers. A page that is cut off says so, and for how long; it asks again until it is whole.

const STRIP = "cut-off";
const BEAT = 5000;
const PATIENCE = 4000;

const mark = new URL(import.meta.url).pathname.split("/")[1];

let since = null;
let probing = null;
let kept = () => "";

export const isCutOff = () => since !== null;

/** Lets the strip say how much is not kept yet. */
export const tellKept = (words) => (kept = words);

const seconds = () => Math.max(1, Math.round((performance.now() - since) / 1000));

const lasting = () => {
  const s = seconds();
  return s < 120 ? `${s} s` : `${Math.floor(s / 60)} min`;
};

const strip = () => {
  let element = document.getElementById(STRIP);
  if (!element) {
    element = document.createElement("div");
    element.id = STRIP;
    element.className = "strip";
    element.setAttribute("role", "status");
    document.body.append(element);
  }
  return element;
};

/** One sentence in the strip; empty takes it away. The whole of it is read out only when it begins and ends. */
export const say = (words, trouble = true) => {
  if (!words) {
    document.getElementById(STRIP)?.remove();
    return;
  }
  const element = strip();
  element.classList.toggle("stop", trouble);
  element.textContent = words;
};

const draw = () => {
  if (since !== null) {
    say(`Taxon has not answered for ${lasting()}. ${kept() || "What you type stays here"}; it is asked again and again.`);
  }
};

setInterval(draw, 1000);

const asked = async () => {
  try {
    const response = await fetch("/alive", { cache: "no-store", signal: AbortSignal.timeout(PATIENCE) });
    return response.ok ? await response.text() : null;
  } catch {
    // Not there: that is the answer.
    return null;
  }
};

const whole = (theirs) => {
  const away = lasting();
  since = null;
  say(`Taxon answers again, after ${away}.`, false);
  setTimeout(() => since === null && say(""), 6000);
  document.dispatchEvent(new CustomEvent("taxon:back"));
  renewed(theirs);
};

const renewed = (theirs) => {
  if (theirs !== mark && /^[0-9a-f]{12}$/.test(mark)) {
    say("Taxon was renewed meanwhile: load this page again when nothing is half typed.", false);
  }
};

const probe = async () => {
  const theirs = await asked();
  probing = null;
  if (theirs === null) {
    since ??= performance.now();
    draw();
    probing = setTimeout(probe, Math.min(BEAT, 500 + seconds() * 200));
  } else if (since !== null) {
    whole(theirs);
  } else {
    renewed(theirs);
  }
};

/** Something did not answer: finds out whether anything does. */
export const doubt = () => {
  probing ??= setTimeout(probe, 0);
};

/** Waits until the server is there. */
export const back = () =>
  since === null ? Promise.resolve() : new Promise((done) => document.addEventListener("taxon:back", done, { once: true }));

setInterval(() => !document.hidden && doubt(), BEAT);
document.addEventListener("visibilitychange", () => !document.hidden && doubt());
document.addEventListener("htmx:afterSettle", draw);
