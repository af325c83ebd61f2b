/** What only elements of one kind have: how a picture is cut, how a video plays, what a meter shows. */
import { LIVE } from "../../does/live";
import { useScores } from "../../does/useScores";
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
import { Fold } from "../../../kit/Fold";
import { Pair } from "../../../kit/Pair";
import { t } from "../../../words/editor";

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

const SHAPES = [["rectangle", t("rectangle")], ["ellipse", t("ellipse")], ["polygon", t("polygon")], ["callout", t("callout")], ["line", t("line")], ["arrow", t("arrow")]] as const;

function Flips({ element, change }: { element: Element; change: Change<Element> }): ReactNode {
  return (
    <Pair>
      <Check label={t("flipHorizontally")} value={element.flip_x} onChange={(flip_x) => change(t("flip"), { flip_x })} />
      <Check label={t("flipVertically")} value={element.flip_y} onChange={(flip_y) => change(t("flip"), { flip_y })} />
    </Pair>
  );
}

function ShapeFields({ element, change }: { element: ShapeElement; change: Change<ShapeElement> }): ReactNode {
  const line = element.shape === "line" || element.shape === "arrow";
  return (
    <>
      <Choose label={t("shape")} value={element.shape} options={SHAPES} onChange={(shape) => change(t("shape"), { shape })} />
      {line && <Check label={t("risesToTheRight")} help={t("helpRises")} value={element.rising} onChange={(rising) => change(t("direction"), { rising })} />}
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
      <QuietButton size="2xs" px="2" onClick={() => change(t("addCorner"), { points: [...points, { x: (first.x + last.x) / 2, y: (first.y + last.y) / 2 }] })}>
        {t("addACorner")}
      </QuietButton>
      <QuietButton size="2xs" px="2" disabled={points.length <= 3} onClick={() => change(t("removeCorner"), { points: points.slice(0, -1) })}>
        {t("removeACorner")}
      </QuietButton>
    </Box>
  );
}

const FITS = [["contain", t("showTheWholePicture")], ["cover", t("fillTheFrame")], ["fill", t("stretch")]] as const;
const MASKS = [["none", t("none")], ["ellipse", t("ellipse")], ["polygon", t("polygon")]] as const;

function PictureFields({ element, change }: { element: PictureElement; change: Change<PictureElement> }): ReactNode {
  const { crop } = element;
  const side = (name: keyof typeof crop): ReactNode => (
    <NumberField
      label={t("cropName", { name })} value={Math.round(crop[name] * 100)} min={0} max={95}
      onChange={(percent) => change(t("crop"), { crop: { ...crop, [name]: percent / 100 } })}
    />
  );
  return (
    <>
      <Choose label={t("fit")} value={element.fit} options={FITS} onChange={(fit) => change(t("fit"), { fit })} />
      <Choose label={t("mask")} help={t("helpMask")} value={element.mask} options={MASKS} onChange={(mask) => change(t("mask"), masked(element, mask))} />
      {element.mask === "polygon" && <CornerFields element={element} change={change} />}
      <Fold title={t("cropAndFlip")}>
        <Pair columns={4}>{side("left")}{side("right")}{side("top")}{side("bottom")}</Pair>
        <Flips element={element} change={change as Change<Element>} />
      </Fold>
    </>
  );
}

/** A mask cuts to a shape only where the picture fills its frame. */
function masked({ fit }: PictureElement, mask: PictureElement["mask"]): Partial<PictureElement> {
  return mask !== "none" && fit === "contain" ? { mask, fit: "cover" } : { mask };
}

const VIDEO_MASKS = [["none", t("none")], ["ellipse", t("ellipse")]] as const;
const STARTS = [["click", t("onClick")], ["auto", t("autoplay")]] as const;

function PlayingFields(
  { element, change }: { element: VideoElement | AudioElement; change: Change<VideoElement | AudioElement> },
): ReactNode {
  const file = useCourse((state) => state.course.media.find(({ id }) => id === element.media));
  return (
    <>
      {file && <CaptionsField file={file} />}
      <Choose label={t("start")} value={element.start} options={STARTS} onChange={(start) => change(t("start"), { start })} />
      <Check label={t("showControls")} help={t("helpControls")} value={element.controls} onChange={(controls) => change(t("controls"), { controls })} />
      <Check label={t("loop")} value={element.loop} onChange={(loop) => change(t("loop"), { loop })} />
      <Check label={t("playsAlone")} help={t("helpPlaysAlone")} value={element.alone} onChange={(alone) => change(t("playsAlone"), { alone })} />
      <NumberField label={t("volume")} value={Math.round(element.volume * 100)} min={0} max={100} onChange={(percent) => change(t("volume"), { volume: percent / 100 })} />
      {element.kind === "video" && (
        <Choose
          label={t("fit")} value={element.fit} options={FITS.slice(0, 2) as unknown as readonly (readonly ["contain" | "cover", string])[]}
          onChange={(fit) => change(t("fit"), { fit })}
        />
      )}
      {element.kind === "video" && (
        <Choose
          label={t("mask")} help={t("helpVideoMask")} value={element.mask} options={VIDEO_MASKS}
          onChange={(mask) => change(t("mask"), mask === "ellipse" ? { mask, fit: "cover" } : { mask })}
        />
      )}
    </>
  );
}

const AREAS = [["rectangle", t("rectangle")], ["ellipse", t("ellipse")], ["polygon", t("polygon")]] as const;

function AreaFields({ element, change }: { element: AreaElement; change: Change<AreaElement> }): ReactNode {
  return (
    <>
      <Choose label={t("shape")} value={element.shape} options={AREAS} onChange={(shape) => change(t("shape"), { shape })} />
      {element.shape === "polygon" && <CornerFields element={element} change={change} />}
    </>
  );
}

const METERS = [["bar", t("bar")], ["ring", t("ring")], ["text", t("text")]] as const;
const KEPT = LIVE.filter(({ type }) => type === "number").map(({ of, words }) => [of, words] as const);

function MeterFields({ element, change }: { element: MeterElement; change: Change<MeterElement> }): ReactNode {
  const variables = useCourse((state) => state.course.variables);
  const numbers = variables.filter((variable) => variable.type === "number");
  const scores = useScores();
  const options = [...KEPT, ...scores.map(({ of, words }) => [of, words] as const), ...numbers.map((variable) => [variable.id, variable.name] as const)];
  const own = numbers.some((variable) => variable.id === element.of);
  return (
    <>
      <Choose label={t("value")} value={element.of} options={options} onChange={(of) => change(t("value"), { of })} />
      <Choose label={t("displayAs")} help={t("helpDisplayAs")} value={element.meter} options={METERS} onChange={(meter) => change(t("meter"), { meter })} />
      {own && (
        <Pair>
          <NumberField label={t("from")} value={element.low} min={-1e9} max={1e9} onChange={(low) => change(t("bounds"), { low })} />
          <NumberField label={t("to")} value={element.high} min={-1e9} max={1e9} onChange={(high) => change(t("bounds"), { high })} />
        </Pair>
      )}
    </>
  );
}

function TableFields({ element, change }: { element: TableElement; change: Change<TableElement> }): ReactNode {
  const { cells } = element;
  const wide = cells[0]?.length ?? 1;
  function resize(rows: number, columns: number): void {
    change(t("tableSize"), {
      columns: [],
      cells: Array.from({ length: rows }, (_, y) => Array.from({ length: columns }, (__, x) => cells[y]?.[x] ?? "")),
    });
  }
  return (
    <>
      <Pair>
        <NumberField label={t("rows")} value={cells.length} min={1} max={100} onChange={(rows) => resize(Math.round(rows), wide)} />
        <NumberField label={t("columns")} value={wide} min={1} max={30} onChange={(columns) => resize(cells.length, Math.round(columns))} />
      </Pair>
      <Check label={t("headerRow")} help={t("helpHeaderRow")} value={element.header_row} onChange={(header_row) => change(t("header"), { header_row })} />
      <Check label={t("headerColumn")} help={t("helpHeaderColumn")} value={element.header_column} onChange={(header_column) => change(t("header"), { header_column })} />
    </>
  );
}
