/** Of several tabs with one course, the last one opened keeps its progress; the others notice. */

/** Says of this tab whether the course is open in a newer one. Where nothing can be stored, it never is. */
export class OneTab {
  private readonly own = crypto.getRandomValues(new Uint32Array(2)).join("-");
  private readonly key: string;

  constructor(course: string, private readonly overtaken: () => void) {
    this.key = `zigzag:${course}:tab`;
  }

  /** Be the newest. */
  begin(): void {
    try {
      localStorage.setItem(this.key, this.own);
      window.addEventListener("storage", (event) => {
        if (event.key === this.key && event.newValue !== this.own) this.overtaken();
      });
    } catch {
      // Nothing can be stored, so nothing is overwritten.
    }
  }

  /** Whether this tab is still the newest: asked before each saving, for the news may be late. */
  isNewest(): boolean {
    try {
      const newest = localStorage.getItem(this.key);
      return newest === null || newest === this.own;
    } catch {
      return true;
    }
  }
}
