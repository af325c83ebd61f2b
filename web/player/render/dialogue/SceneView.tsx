import type { CSSProperties, ReactNode } from "react";
import type { MediaMap } from "../mediaMap";
import type { Scene } from "./scene";

/** The stage: where it is, and who is there. What is said tells who speaks and how, so it is not read out. */
export function SceneView({ scene, media }: { scene: Scene; media: MediaMap }): ReactNode {
  const backdrop = scene.backdrop ? media[scene.backdrop] : undefined;
  const alone = scene.people.length < 2;
  return (
    <div className="zz-scene" aria-hidden>
      {backdrop && <img key={backdrop.src} className="zz-scene-backdrop" src={backdrop.src} alt="" draggable={false} />}
      {scene.people.map(({ name, picture, at, size, flipped, speaks }) => {
        const place: CSSProperties = { left: `${at}%`, height: `min(${size}cqh, ${size * 1.15}cqw)`, transform: `translateX(-50%)${flipped ? " scaleX(-1)" : ""}` };
        return media[picture] && <img key={name} className={`zz-person${speaks || alone ? "" : " zz-listens"}`} src={media[picture].src} alt="" draggable={false} style={place} data-person={name} data-speaks={speaks || undefined} />;
      })}
    </div>
  );
}
