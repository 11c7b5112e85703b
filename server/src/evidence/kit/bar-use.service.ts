import { Injectable } from '@nestjs/common';
import { brushing } from '@iron-clasp/core';
import type { BarUseView } from '@iron-clasp/contract';
import { AccountsService } from '../../records/accounts/accounts.service.ts';
import { KitService } from '../../records/kit/kit.service.ts';
import { LogService } from '../../records/log/log.service.ts';

/** When each bar was brushed, and what was done on it with chalk since. */
@Injectable()
export class BarUseService {
  constructor(
    private readonly kit: KitService,
    private readonly log: LogService,
    private readonly accounts: AccountsService,
  ) {}

  async of(
    bars: readonly { readonly id: string; readonly brushEvery: number }[],
  ): Promise<Map<string, BarUseView>> {
    const brushings = await this.kit.brushings(bars.map((bar) => bar.id));
    const [sets, names] = await Promise.all([
      this.log.chalkedSince(bars.map(({ id }) => ({ id, since: brushings.get(id)?.brushedAt ?? null }))),
      this.accounts.names([...brushings.values()].map((each) => each.brushedBy)),
    ]);
    return new Map(
      bars.map(({ id, brushEvery }) => {
        const last = brushings.get(id);
        const chalkedSets = sets.get(id) ?? 0;
        const brushedBy = (last?.brushedBy && names.get(last.brushedBy)) ?? null;
        const brushedAt = last?.brushedAt.toISOString() ?? null;
        const { setsLeft, due } = brushing(chalkedSets, brushEvery);
        return [id, { id, brushedAt, brushedBy, chalkedSets, setsLeft, due }];
      }),
    );
  }
}
