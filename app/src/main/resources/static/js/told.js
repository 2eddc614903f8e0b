// The line above the rig table: what was refused, and plainly what is going on.

/** @param plain true where nothing was refused */
export const tell = (words, plain = false) => {
  const line = document.getElementById("grid-told");
  line.classList.toggle("plain", plain);
  line.textContent = words;
};
