import { DefaultNamingStrategy } from 'typeorm';

/** Properties in camelCase, columns in snake_case. */
export class SnakeNaming extends DefaultNamingStrategy {
  override columnName(propertyName: string, customName: string | undefined): string {
    return customName || propertyName.replace(/[A-Z]/g, (letter) => `_${letter.toLowerCase()}`);
  }
}
