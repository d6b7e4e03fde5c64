import type { Locator, Page } from '@playwright/test';

/** Does what a person does with hand and eye, and counts it: each click, each field filled, each key or place on the chart is one. */
export class Doer {
  count = 0;

  constructor(readonly page: Page) {}

  async click(what: Locator): Promise<void> {
    this.count++;
    await what.click();
  }

  async fill(label: string | RegExp, text: string): Promise<void> {
    this.count++;
    await this.page.getByLabel(label, typeof label === 'string' ? { exact: true } : {}).fill(text);
  }

  async press(key: string): Promise<void> {
    this.count++;
    await this.page.keyboard.press(key);
  }

  async file(label: string | RegExp, name: string, body: string | Buffer, mimeType = 'text/plain'): Promise<void> {
    this.count++;
    await this.page.getByLabel(label).setInputFiles({ name, mimeType, buffer: Buffer.from(body) });
  }

  /** A place on the chart, as shares of its width and height. */
  async onChart(x: number, y: number, { twice = false } = {}): Promise<void> {
    this.count++;
    const box = await this.page.locator('[data-chart]').boundingBox();
    if (!box) throw new Error('no chart');
    const [px, py] = [box.x + box.width * x, box.y + box.height * y];
    if (twice) await this.page.mouse.dblclick(px, py);
    else await this.page.mouse.click(px, py);
  }

  button(name: string | RegExp): Promise<void> {
    return this.click(this.page.getByRole('button', { name, exact: typeof name === 'string' }));
  }

  link(name: string | RegExp): Promise<void> {
    return this.click(this.page.getByRole('link', { name, exact: typeof name === 'string' }));
  }

  tab(name: string): Promise<void> {
    return this.click(this.page.getByRole('tab', { name, exact: true }));
  }
}
