/** A text that what is understood is taken out of. */
export class Line {
  constructor(public text: string) {}
  take(pattern: RegExp): RegExpExecArray | null {
    const found = pattern.exec(this.text);
    if (found) this.text = `${this.text.slice(0, found.index)} ¦ ${this.text.slice(found.index + found[0].length)}`;
    return found;
  }
}
