// The line between the drawing of the rig and its table: dragged, moved by arrow keys, and kept for the next time. Either side folds.

const KEPT = "taxon-drawn";
const USUAL = 40;
const STEP = 4;
const LEAST = 12;
const MOST = 64;

let last = USUAL;

const read = () => {
  const kept = Number(localStorage.getItem(KEPT) ?? USUAL);
  return Number.isFinite(kept) && kept >= 0 && kept <= 100 ? kept : USUAL;
};

/** Gives the drawing that share of the window, in per cent; 0 folds it, 100 folds the table. */
const divide = (share) => {
  const folded = share <= 0 ? 0 : share >= 100 ? 100 : Math.max(LEAST, Math.min(MOST, share));
  const root = document.documentElement;
  root.style.setProperty("--drawn", `${folded === 100 ? MOST + 12 : folded}vh`);
  root.classList.toggle("no-drawing", folded === 0);
  root.classList.toggle("no-table", folded === 100);
  document.getElementById("divide")?.setAttribute("aria-valuenow", String(Math.round(folded)));
  if (folded > 0 && folded < 100) {
    last = folded;
  }
  localStorage.setItem(KEPT, String(folded));
};

const now = () => Number(document.getElementById("divide")?.getAttribute("aria-valuenow") ?? USUAL);

const fold = (share) => divide(now() === share ? last : share);

document.addEventListener("pointerdown", (event) => {
  const line = event.target.closest?.("#divide");
  if (!line) {
    return;
  }
  event.preventDefault();
  line.setPointerCapture(event.pointerId);
  const drawn = document.getElementById("drawn");
  const top = drawn.getBoundingClientRect().top;
  const drag = (move) => divide(((move.clientY - top) / window.innerHeight) * 100);
  line.addEventListener("pointermove", drag);
  line.addEventListener("lostpointercapture", () => line.removeEventListener("pointermove", drag), { once: true });
});

document.addEventListener("keydown", (event) => {
  if (!document.getElementById("divide")) {
    return;
  }
  const up = event.key === "ArrowUp";
  const down = event.key === "ArrowDown";
  if (!up && !down) {
    return;
  }
  if (event.altKey) {
    event.preventDefault();
    event.stopPropagation();
    fold(up ? 0 : 100);
  } else if (event.target.id === "divide") {
    event.preventDefault();
    divide(up ? now() - STEP : now() + STEP);
  }
}, true);

document.addEventListener("htmx:afterSettle", () => document.getElementById("divide") && divide(read()));
divide(read());
