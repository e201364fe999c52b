/** Answers that are the same for everybody are computed once: the last ones asked for stay, up to a size in all. */
export class KeptAnswers {
  private readonly answers = new Map<string, Promise<Buffer>>();
  private readonly sizes = new Map<string, number>();
  private bytes = 0;
  constructor(private readonly most_bytes: number) {}

  /** The answer to a key. Asked for by several at once it is computed once; one that failed is asked for anew. */
  async get(key: string, compute: () => Promise<Buffer>): Promise<Buffer> {
    const there = this.answers.get(key);
    if (there) {
      // asked for last, it goes last
      this.answers.delete(key);
      this.answers.set(key, there);
      return there;
    }
    const made = compute();
    this.answers.set(key, made);
    try {
      const answer = await made;
      this.sizes.set(key, answer.length);
      this.bytes += answer.length;
      this.shrink();
      return answer;
    } catch (error) {
      this.answers.delete(key);
      throw error;
    }
  }
  private shrink(): void {
    for (const [key] of this.answers) {
      if (this.bytes <= this.most_bytes) return;
      const size = this.sizes.get(key);
      if (size === undefined) continue;
      this.answers.delete(key);
      this.sizes.delete(key);
      this.bytes -= size;
    }
  }
}
