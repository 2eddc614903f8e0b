// What is driven by hand now, on pages that are open: asked again and again while somebody looks.

const EVERY = 2000;

const renew = async () => {
  const strip = document.getElementById("held");
  if (!strip || document.hidden) {
    return;
  }
  try {
    const response = await fetch("/held", { cache: "no-store", headers: { Accept: "text/html" } });
    const fresh = response.ok ? new DOMParser().parseFromString(await response.text(), "text/html").getElementById("held") : null;
    // A page that is being left has no strip any more.
    if (fresh && strip.isConnected && fresh.textContent !== strip.textContent && !strip.contains(document.activeElement)) {
      strip.replaceWith(document.adoptNode(fresh));
      window.htmx?.process(document.getElementById("held"));
    }
  } catch {
    // Not there: the strip of the connection says so.
  }
};

setInterval(renew, EVERY);
document.addEventListener("visibilitychange", renew);
// What this page itself has raised or let go is told at once.
document.addEventListener("taxon:held", renew);
