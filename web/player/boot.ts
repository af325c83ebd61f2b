/**
 * Unpacks what a package carries, and starts the player in it. Most LMSs' servers compress nothing,
 * so packages are deflated by themselves (`packaging/package.py` writes the calls of these functions).
 */
import { inflateSync, strFromU8 } from "fflate";

/** The parts of a program that have come so far, in their order. */
export interface Arriving {
  readonly texts: string[];
  count: number;
  /** Is told of each part that comes. */
  onPart: () => void;
}

declare global {
  interface Window {
    zigzagArriving?: Arriving;
    zigzagStarted?: boolean;
    zigzagPart?: (number: number, count: number, data: string) => void;
    zigzagPlayer?: (data: string) => void;
  }
}

const RETRY_MS = 2_000;
const arriving: Arriving = { texts: [], count: 1, onPart: () => {} };
window.zigzagArriving = arriving;

window.zigzagPart = (number, count, data) => {
  arriving.texts[number - 1] = unpacked(data);
  arriving.count = count;
  if (number > 1) fetchPart(number + 1);
  arriving.onPart();
};

window.zigzagPlayer = (data) => {
  const { css, js } = JSON.parse(unpacked(data)) as { css: string; js: string };
  add("style", css);
  add("script", js);
  // Where scripts in the page are not allowed, the plain files are.
  if (!window.zigzagStarted) {
    document.head.append(Object.assign(document.createElement("link"), { rel: "stylesheet", href: "player/player.css" }));
    document.body.append(Object.assign(document.createElement("script"), { src: "player/player.js" }));
  }
  fetchPart(2);
};

function unpacked(data: string): string {
  return strFromU8(inflateSync(Uint8Array.from(atob(data), (sign) => sign.charCodeAt(0))));
}

function add(name: "style" | "script", text: string): void {
  const element = document.createElement(name);
  element.textContent = text;
  document.head.append(element);
}

/** One part after the other: what the next slides need comes first. Tried until it comes. */
function fetchPart(number: number, tries = 0): void {
  if (number > arriving.count) return;
  const script = document.createElement("script");
  script.src = `program-${number}.js${tries ? `?${tries}` : ""}`;
  script.onerror = () => { window.setTimeout(() => fetchPart(number, tries + 1), RETRY_MS); };
  document.body.append(script);
}
