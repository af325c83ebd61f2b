import type { ReactNode } from "react";
import type { EmbedElement } from "../../api/types";

/** A web page from elsewhere, in a frame that can reach nothing of the course. */
export function EmbedBox({ element, live }: { element: EmbedElement; live: boolean }): ReactNode {
  if (live && element.address) {
    return (
      <iframe
        className="zz-box" src={element.address} title={element.alt || element.name}
        sandbox="allow-scripts allow-forms allow-popups" referrerPolicy="no-referrer" loading="lazy"
      />
    );
  }
  return (
    <div className="zz-box zz-page">
      <strong>Web page</strong>
      <span>{element.address || "no address yet"}</span>
    </div>
  );
}
