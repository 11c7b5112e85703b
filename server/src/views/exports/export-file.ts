import { createReadStream } from 'node:fs';
import { StreamableFile } from '@nestjs/common';
import { RECEIPT_HEADER } from '@iron-clasp/contract';
import type { Response } from 'express';
import type { MadeExport } from '../../records/exports/exports.service.ts';

/** Sends an export, and removes it however the sending ends. */
export function sendExport(
  { path, manifest: { club, lifter, madeAt, receipt }, remove }: MadeExport,
  response: Response,
): StreamableFile {
  response.setHeader(RECEIPT_HEADER, receipt);
  response.once('close', () => void remove());
  const name = `${lifter?.name ?? club.name} ${madeAt.slice(0, 10)}.zip`;
  return new StreamableFile(createReadStream(path), {
    ...{ type: 'application/zip', disposition: `attachment; filename*=UTF-8''${encodeURIComponent(name)}` },
  });
}
