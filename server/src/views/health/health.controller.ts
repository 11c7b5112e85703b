import { Controller, Get, Res } from '@nestjs/common';
import { ApiOperation, ApiTags } from '@nestjs/swagger';
import type { HealthView } from '@iron-clasp/contract';
import type { Response } from 'express';
import { DataSource } from 'typeorm';
import { Public } from '../../platform/access/guard.ts';

const PATIENCE_MS = 2000;

@ApiTags('health')
@Controller('health')
export class HealthController {
  constructor(private readonly db: DataSource) {}

  @Public()
  @Get()
  @ApiOperation({ summary: '200 while the database answers, 503 when it is gone' })
  async health(@Res({ passthrough: true }) response: Response): Promise<HealthView> {
    if (await this.answers()) return { status: 'ok', database: 'up' };
    response.status(503);
    return { status: 'unavailable', database: 'down' };
  }

  private async answers(): Promise<boolean> {
    let timer: NodeJS.Timeout | undefined;
    const patience = new Promise<boolean>(
      (resolve) => (timer = setTimeout(() => resolve(false), PATIENCE_MS)),
    );
    const asked = this.db.query('SELECT 1').then(
      () => true,
      () => false,
    );
    const answer = await Promise.race([asked, patience]);
    clearTimeout(timer);
    return answer;
  }
}
