/** Names for the types that are generated from the server's OpenAPI schema. */
import type { components } from "./api";

type Schemas = components["schemas"];

export type Course = Schemas["Course"];
export type Slide = Schemas["Slide"];
export type Element = Slide["elements"][number];
export type TextElement = Extract<Element, { kind: "text" }>;
export type ShapeElement = Extract<Element, { kind: "shape" }>;
export type PictureElement = Extract<Element, { kind: "picture" }>;
export type ButtonElement = Extract<Element, { kind: "button" }>;
export type VideoElement = Extract<Element, { kind: "video" }>;
export type AudioElement = Extract<Element, { kind: "audio" }>;
export type AreaElement = Extract<Element, { kind: "area" }>;
export type InputElement = Extract<Element, { kind: "input" }>;
export type MeterElement = Extract<Element, { kind: "meter" }>;
export type TableElement = Extract<Element, { kind: "table" }>;
export type EmbedElement = Extract<Element, { kind: "embed" }>;
export type Question = Schemas["SingleChoice"];
export type Choice = Schemas["Choice"];
export type Rule = Schemas["Rule"];
export type Destination = Rule["do"][number]["go"];
export type Style = Schemas["Style"];
export type StylePatch = Schemas["StylePatch"];
export type Shadow = Schemas["Shadow"];
export type Theme = Schemas["Theme"];
export type Colours = Schemas["Colours"];
export type NamedStyle = Schemas["NamedStyle"];
export type Layout = Schemas["Layout"];
export type Section = Schemas["Section"];
export type Background = Schemas["Background"];
export type RichText = Schemas["RichText"];
export type Block = Schemas["Block"];
export type Run = Block["runs"][number];
export type MediaFile = Schemas["MediaFile"];
export type Completion = Schemas["Completion"];

export type Program = Schemas["Program"];
export type ProgramSlide = Schemas["ProgramSlide"];
export type ProgramElement = Schemas["ProgramElement"];
export type ProgramRule = Schemas["ProgramRule"];
export type ProgramMedia = Schemas["ProgramMedia"];
export type Overlay = Schemas["Overlay"];
export type Grader = Schemas["Grader"];
export type Variable = Program["variables"][number];
export type Action = ProgramRule["then"][number];

export type Finding = Schemas["Finding"];
export type Clipping = Schemas["Clipping"];
