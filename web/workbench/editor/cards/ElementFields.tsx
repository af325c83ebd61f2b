/** What only elements of one kind have: how a picture is cut, how a video plays, what a meter shows. */
import { LIVE } from "../../does/live";
import { Box, Separator } from "@chakra-ui/react";
import type { ReactNode } from "react";
import type {
  AreaElement, AudioElement, Element, MeterElement, PictureElement, ShapeElement, TableElement, VideoElement,
} from "../../../api/types";
import { changeElements, useCourse } from "../../store/store";
import { QuietButton } from "../../../kit/QuietButton";
import { CaptionsField } from "../fields/CaptionsField";
import { Check } from "../../../kit/Check";
import { Choose } from "../../../kit/Choose";
import { NumberField } from "../../../kit/NumberField";
import { Pair } from "../../../kit/Pair";

type Change<E> = (label: string, part: Partial<E>) => void;

/** The settings that only elements of one kind have. */
export function KindFields({ element }: { element: Element }): ReactNode {
  function change(label: string, part: object): void {
    changeElements(label, [element.id], (e) => ({ ...e, ...part }) as Element, `${label}-${element.id}`);
  }
  const fields = fieldsOf(element, change);
  return fields && <>{fields}<Separator my="1.5" /></>;
}

function fieldsOf(element: Element, change: (label: string, part: object) => void): ReactNode {
  switch (element.kind) {
    case "shape": return <ShapeFields element={element} change={change} />;
    case "picture": return <PictureFields element={element} change={change} />;
    case "video": case "audio": return <PlayingFields element={element} change={change} />;
    case "area": return <AreaFields element={element} change={change} />;
    case "meter": return <MeterFields element={element} change={change} />;
    case "table": return <TableFields element={element} change={change} />;
    default: return null;
  }
}

const SHAPES = [["rectangle", "rectangle"], ["ellipse", "ellipse"], ["polygon", "polygon"], ["callout", "callout"], ["line", "line"], ["arrow", "arrow"]] as const;

function Flips({ element, change }: { element: Element; change: Change<Element> }): ReactNode {
  return (
    <Pair>
      <Check label="Mirrored" value={element.flip_x} onChange={(flip_x) => change("Flip", { flip_x })} />
      <Check label="Upside down" value={element.flip_y} onChange={(flip_y) => change("Flip", { flip_y })} />
    </Pair>
  );
}

function ShapeFields({ element, change }: { element: ShapeElement; change: Change<ShapeElement> }): ReactNode {
  const line = element.shape === "line" || element.shape === "arrow";
  return (
    <>
      <Choose label="shape" value={element.shape} options={SHAPES} onChange={(shape) => change("Shape", { shape })} />
      {line && <Check label="Rises to the right" value={element.rising} onChange={(rising) => change("Direction", { rising })} />}
      {element.shape !== "rectangle" && element.shape !== "ellipse" && <Flips element={element} change={change as Change<Element>} />}
      {element.shape === "polygon" && <CornerFields element={element} change={change} />}
    </>
  );
}

interface Cornered { points: { x: number; y: number }[] }

/** One corner more, between the last and the first; or one less. They are dragged on the slide. */
function CornerFields({ element, change }: { element: Cornered; change: Change<Cornered> }): ReactNode {
  const { points } = element;
  const [first, last] = [points[0], points.at(-1)];
  if (!first || !last) return null;
  return (
    <Box display="flex" gap="2" mt="1">
      <QuietButton size="2xs" px="2" onClick={() => change("Add corner", { points: [...points, { x: (first.x + last.x) / 2, y: (first.y + last.y) / 2 }] })}>
        Add a corner
      </QuietButton>
      <QuietButton size="2xs" px="2" disabled={points.length <= 3} onClick={() => change("Remove corner", { points: points.slice(0, -1) })}>
        Remove one
      </QuietButton>
    </Box>
  );
}

const FITS = [["contain", "whole picture"], ["cover", "fill the frame"], ["fill", "stretch"]] as const;
const MASKS = [["none", "none"], ["ellipse", "ellipse"], ["polygon", "polygon"]] as const;

function PictureFields({ element, change }: { element: PictureElement; change: Change<PictureElement> }): ReactNode {
  const { crop } = element;
  const side = (name: keyof typeof crop): ReactNode => (
    <NumberField
      label={`cut ${name}`} value={Math.round(crop[name] * 100)} min={0} max={95}
      onChange={(percent) => change("Crop", { crop: { ...crop, [name]: percent / 100 } })}
    />
  );
  return (
    <>
      <Choose label="fit" value={element.fit} options={FITS} onChange={(fit) => change("Fit", { fit })} />
      <Choose label="mask" value={element.mask} options={MASKS} onChange={(mask) => change("Mask", masked(element, mask))} />
      {element.mask === "polygon" && <CornerFields element={element} change={change} />}
      <Pair>{side("left")}{side("right")}{side("top")}{side("bottom")}</Pair>
      <Flips element={element} change={change as Change<Element>} />
    </>
  );
}

/** A mask cuts to a shape only where the picture fills its frame. */
function masked({ fit }: PictureElement, mask: PictureElement["mask"]): Partial<PictureElement> {
  return mask !== "none" && fit === "contain" ? { mask, fit: "cover" } : { mask };
}

const STARTS = [["click", "on a click"], ["auto", "by itself"]] as const;

function PlayingFields(
  { element, change }: { element: VideoElement | AudioElement; change: Change<VideoElement | AudioElement> },
): ReactNode {
  const file = useCourse((state) => state.course.media.find(({ id }) => id === element.media));
  return (
    <>
      {file && <CaptionsField file={file} />}
      <Choose label="starts" value={element.start} options={STARTS} onChange={(start) => change("Start", { start })} />
      <Check label="Shows its controls" value={element.controls} onChange={(controls) => change("Controls", { controls })} />
      <Check label="Begins again at its end" value={element.loop} onChange={(loop) => change("Loop", { loop })} />
      <NumberField label="volume" value={Math.round(element.volume * 100)} min={0} max={100} onChange={(percent) => change("Volume", { volume: percent / 100 })} />
      {element.kind === "video" && (
        <Choose
          label="fit" value={element.fit} options={FITS.slice(0, 2) as unknown as readonly (readonly ["contain" | "cover", string])[]}
          onChange={(fit) => change("Fit", { fit })}
        />
      )}
    </>
  );
}

const AREAS = [["rectangle", "rectangle"], ["ellipse", "ellipse"], ["polygon", "polygon"]] as const;

function AreaFields({ element, change }: { element: AreaElement; change: Change<AreaElement> }): ReactNode {
  return (
    <>
      <Choose label="shape" value={element.shape} options={AREAS} onChange={(shape) => change("Shape", { shape })} />
      {element.shape === "polygon" && <CornerFields element={element} change={change} />}
    </>
  );
}

const METERS = [["bar", "bar"], ["ring", "ring"], ["text", "words"]] as const;
const KEPT = LIVE.filter(({ type }) => type === "number").map(({ of, words }) => [of, words] as const);

function MeterFields({ element, change }: { element: MeterElement; change: Change<MeterElement> }): ReactNode {
  const variables = useCourse((state) => state.course.variables);
  const numbers = variables.filter((variable) => variable.type === "number");
  const options = [...KEPT, ...numbers.map((variable) => [variable.id, variable.name] as const)];
  const own = numbers.some((variable) => variable.id === element.of);
  return (
    <>
      <Choose label="shows" value={element.of} options={options} onChange={(of) => change("Value", { of })} />
      <Choose label="as" value={element.meter} options={METERS} onChange={(meter) => change("Meter", { meter })} />
      {own && (
        <Pair>
          <NumberField label="from" value={element.low} min={-1e9} max={1e9} onChange={(low) => change("Bounds", { low })} />
          <NumberField label="to" value={element.high} min={-1e9} max={1e9} onChange={(high) => change("Bounds", { high })} />
        </Pair>
      )}
    </>
  );
}

function TableFields({ element, change }: { element: TableElement; change: Change<TableElement> }): ReactNode {
  const { cells } = element;
  const wide = cells[0]?.length ?? 1;
  function resize(rows: number, columns: number): void {
    change("Table size", {
      columns: [],
      cells: Array.from({ length: rows }, (_, y) => Array.from({ length: columns }, (__, x) => cells[y]?.[x] ?? "")),
    });
  }
  return (
    <>
      <Pair>
        <NumberField label="rows" value={cells.length} min={1} max={100} onChange={(rows) => resize(Math.round(rows), wide)} />
        <NumberField label="columns" value={wide} min={1} max={30} onChange={(columns) => resize(cells.length, Math.round(columns))} />
      </Pair>
      <Check label="First row is its head" value={element.header_row} onChange={(header_row) => change("Head", { header_row })} />
      <Check label="First column names the rows" value={element.header_column} onChange={(header_column) => change("Head", { header_column })} />
    </>
  );
}
