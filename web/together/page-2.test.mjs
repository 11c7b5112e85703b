/** @jest-environment jsdom */
import { join } from 'node:path';
import { together } from '../../jest.together.mjs';
// Before any file: what it hooks to every test must not be the first file's alone.
import '../src/ui/component.test-helper.ts';

await together(join(import.meta.dirname, '..'), { share: 1, of: 2, environment: 'jsdom' });
