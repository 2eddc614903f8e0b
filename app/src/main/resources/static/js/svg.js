// What all drawings share.

const SVG = "http://www.w3.org/2000/svg";

/** An SVG element with attributes and words. */
export const make = (name, attributes = {}, words = "") => {
  const element = document.createElementNS(SVG, name);
  Object.entries(attributes).forEach(([k, v]) => element.setAttribute(k, v));
  element.textContent = words;
  return element;
};

/** Makes one inside another. */
export const add = (parent, name, attributes, words) => parent.appendChild(make(name, attributes, words));

/** Where a pointer is, in the units of the drawing. */
export const inSvg = (svg, event) => {
  const at = new DOMPoint(event.clientX, event.clientY).matrixTransform(svg.getScreenCTM().inverse());
  return [at.x, at.y];
};
