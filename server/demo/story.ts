/** What happens in the demo, told in any order and done in that of its times: the record's times never run backwards. */
export class Story {
  private readonly told: { readonly at: Date; readonly happens: () => Promise<unknown> }[] = [];
  tell(at: Date, happens: () => Promise<unknown>): void {
    this.told.push({ at, happens });
  }
  async happen(): Promise<void> {
    const inOrder = this.told.toSorted((a, b) => a.at.getTime() - b.at.getTime());
    for (const { happens } of inOrder) await happens();
  }
}
