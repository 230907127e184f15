/**
 * Asks one question at a time, the newest first: questions that were overtaken while an answer was made are dropped. A question that fails is
 * reported and stands in nobody's way.
 */
export class NewestFirst<Q, A> {
  private wish: { readonly question: Q } | null = null;
  private busy = false;
  private ended = false;

  constructor(
    private readonly ask: (question: Q) => Promise<A>,
    private readonly onAnswer: (answer: A) => void,
    private readonly onFailure: (error: unknown) => void,
  ) {}

  get isBusy(): boolean {
    return this.busy;
  }

  put(question: Q): void {
    this.wish = { question };
    void this.serve();
  }

  /** Nothing more is asked, and what is still on its way is not heard. */
  end(): void {
    this.ended = true;
    this.wish = null;
  }

  private async serve(): Promise<void> {
    if (this.busy) return;
    this.busy = true;
    try {
      while (this.wish && !this.ended) {
        const { question } = this.wish;
        this.wish = null;
        try {
          const answer = await this.ask(question);
          if (!this.ended) this.onAnswer(answer);
        } catch (error) {
          if (!this.ended) this.onFailure(error);
        }
      }
    } finally {
      this.busy = false;
    }
  }
}
