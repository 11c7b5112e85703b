import { Injectable } from '@nestjs/common';
import { isUUID } from 'class-validator';

/** Tells which lifter a thing belongs to; null where there is no such thing. */
export type FindOwner = (id: string) => Promise<string | null>;

/** Whose each thing is that an address can name. The module that keeps a thing registers how to find out. */
@Injectable()
export class Owners {
  readonly #found = new Map<string, FindOwner>();

  register(thing: string, find: FindOwner): void {
    this.#found.set(thing, find);
  }

  /** The lifter whose thing it is; null where there is none. Throws where nobody keeps such things. */
  async ownerOf(thing: string, id: string): Promise<string | null> {
    const find = this.#found.get(thing);
    if (!find) throw new Error(`No module says whose a ${thing} is.`);
    return isUUID(id) ? find(id) : null;
  }
}
