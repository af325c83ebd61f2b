/**
 * Reports on their way: kept in this browser until they have arrived, and sent again and again until
 * then. What has arrived is remembered, so that it is not sent twice.
 */
import type { Letter } from "./letters";

/** How it stands with the reports: the titles of the quizzes that wait, or that were not accepted. */
export interface PostStanding {
  readonly waiting: readonly string[];
  readonly refused: readonly string[];
}

interface Kept { letters: Waiting[]; sent: string[] }
type Waiting = Letter & { tries: number; refused: boolean };

const FIRST_PAUSE_MS = 2_000;
const LONGEST_PAUSE_MS = 120_000;
const LONGEST_ANSWER_MS = 30_000;
/** A page that goes away sends no more than this (bytes): browsers refuse the rest. */
const MOST_ON_LEAVING = 60_000;
const MOST_REMEMBERED = 200;
/** What may be sent again although it was answered with an error of the sender's: too early, too many. */
const LATER = new Set([408, 425, 429]);

/** The reports of one course that are on their way. */
export class Outbox {
  private kept: Kept;
  private timer: number | null = null;
  private sending = false;
  /** Reports of this page of which it is not known yet that they have arrived. */
  private readonly open = new Set<string>();
  /** Nothing can be stored, or no more: what is in memory holds. */
  private onlyInMemory = false;

  constructor(private readonly key: string, private readonly listener: (standing: PostStanding, arrived: string | null) => void) {
    this.kept = read(key) ?? { letters: [], sent: [] };
    window.addEventListener("online", () => this.begin());
    window.addEventListener("storage", (event) => { if (event.key === key) this.hear(); });
    this.begin();
  }

  /** Take what is to be sent of one report. What is on its way or has arrived is not taken again. */
  put(id: string, letters: readonly Letter[]): void {
    this.reload();
    if (this.kept.sent.includes(id)) {
      this.listener(this.standing(), id);
      return;
    }
    this.open.add(id);
    if (!this.kept.letters.some((letter) => letter.id === id)) {
      this.kept.letters.push(...letters.map((letter) => ({ ...letter, tries: 0, refused: false })));
      this.keep();
    }
    this.begin();
  }

  /** Try all that waits at once, also what was not accepted. */
  again(): void {
    this.reload();
    for (const letter of this.kept.letters) letter.refused = false;
    this.keep();
    this.begin();
  }

  private begin(): void {
    if (this.timer !== null) window.clearTimeout(this.timer);
    this.timer = null;
    void this.sendAll();
  }

  /** Send what waits, one after the other; of several tabs one does it. */
  private async sendAll(): Promise<void> {
    if (this.sending) return;
    this.sending = true;
    try {
      await alone(this.key, async () => {
        this.hear();
        const todo = this.kept.letters.filter(({ refused }) => !refused);
        for (const letter of todo) await this.send(letter);
      });
    } finally {
      this.sending = false;
    }
    const left = this.kept.letters.filter(({ refused }) => !refused);
    if (left.length) {
      const tries = Math.max(Math.min(...left.map(({ tries: own }) => own)), 1);
      this.timer = window.setTimeout(() => this.begin(), Math.min(FIRST_PAUSE_MS * 2 ** (tries - 1), LONGEST_PAUSE_MS));
    }
  }

  private async send(letter: Waiting): Promise<void> {
    const status = await answerTo(letter);
    this.reload();
    const same = this.kept.letters.find(({ id, address }) => id === letter.id && address === letter.address);
    if (!same) return;
    if (status >= 200 && status < 300) this.kept.letters = this.kept.letters.filter((one) => one !== same);
    else {
      same.tries += 1;
      same.refused = status >= 400 && status < 500 && !LATER.has(status);
    }
    const arrived = !this.kept.letters.some(({ id }) => id === letter.id);
    if (arrived) this.kept.sent = [...this.kept.sent, letter.id].slice(-MOST_REMEMBERED);
    this.keep();
    if (arrived) this.open.delete(letter.id);
    this.listener(this.standing(), arrived ? letter.id : null);
  }

  /** Take in what other tabs have sent: the reports of this page may be among it. */
  private hear(): void {
    this.reload();
    for (const id of this.open) {
      if (!this.kept.sent.includes(id)) continue;
      this.open.delete(id);
      this.listener(this.standing(), id);
    }
  }

  private standing(): PostStanding {
    const titles = (those: readonly Waiting[]): string[] => [...new Set(those.map(({ title }) => title))];
    return {
      waiting: titles(this.kept.letters.filter(({ tries, refused }) => tries > 0 && !refused)),
      refused: titles(this.kept.letters.filter(({ refused }) => refused)),
    };
  }

  /** Other tabs send as well; where nothing can be stored, what is in memory holds. */
  private reload(): void {
    if (!this.onlyInMemory) this.kept = read(this.key) ?? this.kept;
  }

  private keep(): void {
    try {
      localStorage.setItem(this.key, JSON.stringify(this.kept));
      this.onlyInMemory = false;
    } catch {
      this.onlyInMemory = true;
    }
  }
}

/** Do something that no other tab does at the same time, where browsers let tabs know of each other. */
async function alone(key: string, work: () => Promise<void>): Promise<void> {
  const locks = "locks" in navigator ? navigator.locks : undefined;
  if (locks) await locks.request(key, work);
  else await work();
}

/** The status of the answer; 0 where there was none. */
async function answerTo({ address, type, body }: Letter): Promise<number> {
  try {
    const answer = await fetch(address, {
      method: "POST", body, headers: { "Content-Type": type }, credentials: "omit", referrerPolicy: "no-referrer",
      keepalive: new TextEncoder().encode(body).length < MOST_ON_LEAVING, signal: AbortSignal.timeout(LONGEST_ANSWER_MS),
    });
    return answer.status;
  } catch {
    return 0;
  }
}

function read(key: string): Kept | null {
  try {
    const found = JSON.parse(localStorage.getItem(key) ?? "null") as Partial<Kept> | null;
    return found && Array.isArray(found.letters) && Array.isArray(found.sent) ? { letters: found.letters, sent: found.sent } : null;
  } catch {
    return null;
  }
}
