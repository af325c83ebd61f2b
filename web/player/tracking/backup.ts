/** A copy of what an LMS may not have got, in this browser's storage. */
import type { Answered } from "./scormVersion";

export interface Backup<Told = Answered> {
  progress: string;
  /** Whether the LMS has confirmed it. */
  confirmed: boolean;
  /** Answers that were not told yet, or statements. */
  answers: Told[];
}

/** Storage may be forbidden (privacy settings, sandboxed frames); then nothing is kept. */
export class BackupStore<Told = Answered> {
  constructor(private readonly key: string) {}

  read(): Backup<Told> | null {
    try {
      const raw = JSON.parse(localStorage.getItem(this.key) ?? "null") as Partial<Backup<Told>> | null;
      if (!raw || typeof raw.progress !== "string") return null;
      return {
        progress: raw.progress,
        confirmed: raw.confirmed === true,
        answers: Array.isArray(raw.answers) ? raw.answers : [],
      };
    } catch {
      return null;
    }
  }

  /** Return whether it could be kept. */
  write(backup: Backup<Told>): boolean {
    try {
      localStorage.setItem(this.key, JSON.stringify(backup));
      return true;
    } catch {
      return false;
    }
  }

  clear(): void {
    try {
      localStorage.removeItem(this.key);
    } catch {
      // Nothing was kept, so nothing is left.
    }
  }
}
