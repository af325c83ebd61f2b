import type { Job } from "../api/jobs";

/** Save a file that was made here. */
export function download(blob: Blob, name: string): void {
  const address = URL.createObjectURL(blob);
  fetchAs(address, name);
  URL.revokeObjectURL(address);
}

/** Save the file that a job has made. */
export function downloadResult(job: Job): void {
  fetchAs(`/api/jobs/${job.id}/file`, job.result?.file ?? "");
}

/** Save what the server has at an address; without a `name` it is called as the server says. */
export function fetchAs(address: string, name = ""): void {
  const link = document.createElement("a");
  link.href = address;
  link.download = name;
  link.click();
}
