/** The course as the server compiles it. */
import { api, type Result } from "../../api/client";
import { workedOut, type Job } from "../../api/jobs";
import type { Program } from "../../api/types";
import { filled } from "../../player/engine/filled";
import { saveAll } from "./saver";

/** Save what is to be saved and return the program that the course compiles to, with all its defaults. */
export async function compiledCourse(slug: string): Promise<Program> {
  await saveAll();
  const asked = (): Promise<Result<Program | Job>> =>
    api.GET("/api/courses/{slug}/program", { params: { path: { slug } } }) as Promise<Result<Program | Job>>;
  return filled(await workedOut(asked));
}

/** Return the address at which the course as it was saved can be run for some hours. */
export async function previewAddress(slug: string): Promise<string> {
  const { url } = await workedOut<{ url: string }>(() => api.POST("/api/courses/{slug}/preview", { params: { path: { slug } } }));
  return url;
}
