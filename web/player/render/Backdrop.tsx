import type { CSSProperties, ReactNode } from "react";
import type { Background, Theme } from "../../api/types";
import type { MediaMap } from "./mediaMap";
import { useDirection } from "./speech";
import { paint, themeVariables } from "./theme";

interface Props {
  size: { w: number; h: number };
  theme: Theme;
  background: Background;
  media: MediaMap;
  scale: number;
  children: ReactNode;
}

/** The fixed-size slide that everything is drawn on, scaled by its parent. */
export function Backdrop({ size, theme, background, media, scale, children }: Props): ReactNode {
  const picture = background.picture ? media[background.picture] : undefined;
  const outer: CSSProperties = { width: size.w * scale, height: size.h * scale };
  const inner: CSSProperties = {
    width: size.w, height: size.h, transform: `scale(${scale})`, background: paint(background.colour),
    ...themeVariables(theme),
  };
  return (
    <div className="zz-scaled" style={outer} dir="ltr">
      <div className="zz-slide" style={inner} dir={useDirection()}>
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
