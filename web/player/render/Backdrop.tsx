/** The fixed-size slide that everything is drawn on, scaled by its parent. */
import type { CSSProperties, ReactNode } from "react";
import type { Background } from "../../api/types";
import type { MediaMap } from "./ElementView";

interface Props {
  size: { w: number; h: number };
  background: Background;
  media: MediaMap;
  scale: number;
  children: ReactNode;
}

export function Backdrop({ size, background, media, scale, children }: Props): ReactNode {
  const picture = background.picture ? media[background.picture] : undefined;
  const outer: CSSProperties = { width: size.w * scale, height: size.h * scale };
  const inner: CSSProperties = {
    width: size.w, height: size.h, transform: `scale(${scale})`, background: background.colour,
  };
  return (
    <div className="zz-scaled" style={outer}>
      <div className="zz-slide" style={inner}>
        {picture && (
          <img
            className="zz-backdrop" src={picture.src} alt="" draggable={false}
            style={{ objectFit: background.fit }}
          />
        )}
        {children}
      </div>
    </div>
  );
}
