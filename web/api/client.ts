/** Talking to the server: typed by its schema, with errors that people can read. */
import createClient from "openapi-fetch";
import type { paths } from "./api";

/** The server's answer to what could not be done. `extra` holds what came with it. */
export class ApiError extends Error {
  constructor(
    readonly status: number, readonly code: string, message: string,
    readonly extra: Record<string, unknown> = {},
  ) {
    super(message);
  }
}

/** The server was not reached at all. */
export class Unreachable extends Error {
  constructor() {
    super("The server does not answer. Your changes are kept in this browser.");
  }
}

function csrf(): string {
  return /(?:^|; )csrftoken=([^;]*)/.exec(document.cookie)?.[1] ?? "";
}

const client = createClient<paths>({ baseUrl: "", credentials: "same-origin" });
client.use({
  onRequest({ request }) {
    if (request.method !== "GET") request.headers.set("X-CSRFToken", csrf());
    return request;
  },
  onError() {
    return new Unreachable();
  },
});

export interface Result<T> { data?: T; error?: unknown; response: Response }

/** Return the data of a call, or throw `ApiError` or `Unreachable`. */
export async function take<T>(call: Promise<Result<T>>): Promise<T> {
  const { data, error, response } = await call;
  if (response.ok) return data as T;
  // A proxy or a server in the middle of a restart answers with no body of ours.
  if (response.status >= 502 && response.status <= 504) throw new Unreachable();
  const body = (typeof error === "object" && error ? error : {}) as Record<string, unknown>;
  const message = typeof body.message === "string" ? body.message
    : `The server answered with error ${response.status}. Nothing was changed.`;
  throw new ApiError(response.status, String(body.code ?? "error"), message, body);
}

export const api = client;

/** Send a file, telling the share (0..1) that has gone out; `signal` stops it. */
export function upload<T>(
  url: string, file: Blob & { name?: string }, onProgress: (share: number) => void,
  signal?: AbortSignal,
): Promise<T> {
  return new Promise((resolve, reject) => {
    const request = new XMLHttpRequest();
    const form = new FormData();
    form.append("file", file, file.name ?? "file");
    request.open("POST", url);
    request.setRequestHeader("X-CSRFToken", csrf());
    request.responseType = "json";
    request.upload.onprogress = (event) => {
      if (event.lengthComputable) onProgress(event.loaded / event.total);
    };
    request.onload = () => {
      const body = (request.response ?? {}) as Record<string, unknown>;
      if (request.status < 300) resolve(body as T);
      else {
        const message = typeof body.message === "string" ? body.message
          : `The server answered with error ${request.status}. Nothing was taken in.`;
        reject(new ApiError(request.status, String(body.code ?? "error"), message, body));
      }
    };
    request.onerror = () => reject(new Unreachable());
    request.onabort = () => reject(new ApiError(0, "stopped", "The upload was stopped."));
    signal?.addEventListener("abort", () => request.abort());
    request.send(form);
  });
}
