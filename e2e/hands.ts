import { expect, type Locator, type Page } from '@playwright/test';
import { pick } from './helpers';

/** One way to work: each thing that is done counts as it would be felt. `letters` are the first of a name. */
export interface Hand {
  readonly actions: number;
  /** Opens one of the choices of the plan, by its number and its title. */
  choice(number: number, title: string): Promise<void>;
  /** Does what a button, a link or a choice says; `shortcut` is its key, where it has one. */
  press(place: Locator, letters: string, shortcut?: string): Promise<void>;
  write(place: Locator, letters: string, text: string): Promise<void>;
  /** A list is opened, and one of it taken. */
  pick(label: string, letters: string, option: string): Promise<void>;
  key(key: string): Promise<void>;
}

/** A press of the mouse counts, and a field that is written. */
export class Mouse implements Hand {
  actions = 0;

  constructor(private readonly page: Page) {}

  async choice(_: number, title: string): Promise<void> {
    await this.press(this.page.getByRole('button', { name: new RegExp(`^${title}`) }).first());
  }

  async press(place: Locator): Promise<void> {
    // Radios are pressed by their words.
    const label = place.locator('xpath=ancestor::label');
    await ((await label.count()) > 0 ? label : place).click();
    this.actions++;
  }

  async write(place: Locator, _: string, text: string): Promise<void> {
    await place.fill(text);
    this.actions++;
  }

  async pick(label: string, _: string, option: string): Promise<void> {
    await pick(this.page, label, new RegExp(`^${option}`));
    this.actions += 2;
  }

  async key(key: string): Promise<void> {
    await this.page.keyboard.press(key);
    this.actions++;
  }
}

const WRITES = 'input:not([type="radio"], [type="checkbox"]), textarea';

/** No mouse: a key that is pressed counts, and a word that is written. */
export class Keys implements Hand {
  actions = 0;
  /** Whether the focus was led anywhere. */
  went = false;

  constructor(private readonly page: Page) {}

  async choice(number: number): Promise<void> {
    await this.leave();
    await this.key(String(number));
  }

  async press(place: Locator, letters: string, shortcut?: string): Promise<void> {
    await place.waitFor();
    if (shortcut !== undefined) {
      // Enter in a field does what its form is for.
      if (shortcut !== 'Enter') await this.leave();
      return this.key(shortcut);
    }
    await this.to(place, letters);
    const chosen = await place.evaluate((it) => it.matches('input'));
    await this.key(chosen ? 'Space' : 'Enter');
  }

  async write(place: Locator, letters: string, text: string): Promise<void> {
    await this.to(place, letters);
    await this.type(text);
  }

  async pick(label: string, letters: string, option: string): Promise<void> {
    await this.to(this.page.getByRole('combobox', { name: label, exact: true }), letters);
    await this.type(option);
    await this.key('Enter');
  }

  async key(key: string): Promise<void> {
    await this.page.keyboard.press(key);
    this.actions++;
  }

  private async type(text: string): Promise<void> {
    await this.page.keyboard.type(text);
    this.actions++;
  }

  /** A field keeps its keys to itself: out of it first, to the next stop. */
  private async leave(): Promise<void> {
    const writes = await this.page.evaluate((fields) => document.activeElement?.matches(fields), WRITES);
    if (writes) await this.key('Tab');
  }

  private async to(place: Locator, letters: string): Promise<void> {
    await place.waitFor();
    this.went = true;
    const there = () => place.evaluate((it) => it === document.activeElement);
    if (await there()) return;
    await this.leave();
    if (!(await there())) await this.type(`/${letters}`);
    await expect(place).toBeFocused();
  }
}
