/** Sends what the run-time API commits, and waits for the server's word as long as a page may. */
import type { IHttpService, ResultObject } from "scorm-again";

const KEPT: ResultObject = { result: "true", errorCode: 0 };
const LOST: ResultObject = { result: "false", errorCode: 101 };

/** Sends what the run-time API commits to the server, also while the page goes away. */
export class Sender implements IHttpService {
  /** Set when this page goes away. */
  closing = false;

  /**
   * Whether a page is going away: this one, or one of the package that calls from its last event.
   * A browser then allows nothing but beacons, which are not answered.
   */
  isClosing(): boolean {
    return this.closing || isDismissing(window);
  }

  processHttpRequest(url: string, params: unknown, immediate: boolean): ResultObject {
    const body = JSON.stringify(params);
    const address = immediate ? `${url}?finish=true` : url;
    if (this.isClosing()) return navigator.sendBeacon(address, body) ? KEPT : LOST;
    try {
      const request = new XMLHttpRequest();
      // Synchronous, since the standard's calls are answered when they return.
      request.open("POST", address, false);
      request.send(body);
      const answer = JSON.parse(request.responseText) as { result?: boolean };
      return request.status === 200 && answer.result === true ? KEPT : LOST;
    } catch {
      return LOST;
    }
  }

  updateSettings(): void {
    // It depends on none.
  }
}

const LAST_EVENTS = new Set(["pagehide", "unload", "beforeunload"]);

/** Whether a frame of `page`, at any depth, is in the middle of one of its last events. */
function isDismissing(page: Window): boolean {
  for (let place = 0; place < page.frames.length; place++) {
    try {
      const frame = page.frames[place] as Window;
      if (LAST_EVENTS.has(frame.event?.type ?? "") || isDismissing(frame)) return true;
    } catch {
      // A frame of another origin cannot call the API in here.
    }
  }
  return false;
}
