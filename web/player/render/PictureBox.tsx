import type { CSSProperties, ReactNode } from "react";
import type { PictureElement, Style } from "../../api/types";
import type { MediaMap } from "./mediaMap";
import { clipPolygon, corners, polygonPath } from "./figures";

interface Props { element: PictureElement; style: Style; media: MediaMap; alt: string }

/** A picture, cut and fitted into its box. */
export function PictureBox({ element, style, media, alt }: Props): ReactNode {
  const file = element.media ? media[element.media] : undefined;
  if (!file) return <div className="zz-box zz-empty-picture" />;
  const outline = element.mask === "polygon" ? corners(element.points, element.w, element.h, element) : null;
  const mask: CSSProperties = outline ? { clipPath: clipPolygon(outline), borderRadius: 0 } : {};
  const flips = flipped(element);
  const whole = !isCropped(element) || !file.w || !file.h;
  return (
    <>
      <div className={`zz-box${element.mask === "ellipse" ? " zz-ellipse" : ""}`} style={mask}>
        {whole
          ? <img src={file.src} alt={alt} style={{ objectFit: element.fit, ...flips }} draggable={false} />
          : <Cropped element={element} src={file.src} size={file} alt={alt} flips={flips} border={style.border_width} />}
      </div>
      {outline && style.border_width > 0 && (
        <svg className="zz-outline zz-over" width={element.w} height={element.h} aria-hidden>
          <path d={polygonPath(outline)} fill="none" />
        </svg>
      )}
    </>
  );
}

function flipped({ flip_x, flip_y }: PictureElement): CSSProperties {
  return flip_x || flip_y ? { transform: `scale(${flip_x ? -1 : 1}, ${flip_y ? -1 : 1})` } : {};
}

function isCropped({ crop: { left, top, right, bottom } }: PictureElement): boolean {
  return Boolean(left || top || right || bottom);
}

interface CroppedProps {
  element: PictureElement;
  src: string;
  size: { w: number; h: number };
  alt: string;
  flips: CSSProperties;
  border: number;
}

/** The part that is left is fitted as a whole picture would be; the rest lies outside a window. */
function Cropped({ element, src, size, alt, flips, border }: CroppedProps): ReactNode {
  const { crop, fit } = element;
  const w = Math.max(element.w - 2 * border, 1);
  const h = Math.max(element.h - 2 * border, 1);
  const part = {
    w: Math.max(size.w * (1 - crop.left - crop.right), 1), h: Math.max(size.h * (1 - crop.top - crop.bottom), 1),
  };
  const both = [w / part.w, h / part.h] as const;
  const [kx, ky] = fit === "fill" ? both
    : Array<number>(2).fill((fit === "cover" ? Math.max : Math.min)(...both)) as [number, number];
  const window: CSSProperties = {
    position: "absolute", overflow: "hidden", width: part.w * kx, height: part.h * ky,
    left: (w - part.w * kx) / 2, top: (h - part.h * ky) / 2, ...flips,
  };
  const picture: CSSProperties = {
    position: "absolute", width: size.w * kx, height: size.h * ky, maxWidth: "none",
    left: -size.w * crop.left * kx, top: -size.h * crop.top * ky, objectFit: "fill",
  };
  return <div style={window}><img src={src} alt={alt} style={picture} draggable={false} /></div>;
}
