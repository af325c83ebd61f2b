/** The course before one is opened. */
import type { Course } from "../../api/types";

const QUIET = { title: "", speaker: null, sound: null, colour: null };

export const EMPTY_COURSE: Course = {
  format: 6, id: "none", title: "", language: "en", size: { w: 1280, h: 720 }, slides: [],
  sections: [], styles: [], layouts: [], guides: { across: [], down: [], grid: 20 },
  theme: {
    name: "", fonts: { text: "Atkinson Hyperlegible Next", heading: "Bricolage Grotesque" },
    colours: {
      ink: "#22302b", quiet: "#5b665f", paper: "#fbf8f3", sheet: "#fffdf7", primary: "#1e5b4b",
      on_primary: "#ffffff", soft: "#e1ede6", accent: "#e8a33d", edge: "#c9bda6",
    },
  },
  variables: [], rules: [], walkthroughs: [], gate: null,
  feedback: {
    place: "below", w: 720, dims: true, tells: false, right: QUIET, partly: QUIET, wrong: QUIET, plain: QUIET,
    style: {
      fill: null, border_colour: null, border_width: 0, border_style: "solid", radius: 0, opacity: 1, shadow: null,
      padding: 0, text_colour: "ink", size: 24, bold: false, italic: false, font: "text", line_height: 1.35,
      align: "left", valign: "top", fit: "keep",
    },
  },
  navigation: {
    order: "free", menu: true, progress: true, previous: true, next: true, transcript: true,
    captions: true, volume: true, speed: true, full_screen: true,
  },
  media: [], completion: { slides_share: 1, passing: false }, pass_mark: 80,
  remembered: {},
};
