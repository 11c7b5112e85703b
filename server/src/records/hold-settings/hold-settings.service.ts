import { createHash } from 'node:crypto';
import { Injectable, type OnModuleInit } from '@nestjs/common';
import type { HoldKindId } from '@iron-clasp/core';
import { DataSource } from 'typeorm';
import { saveVersion } from '../../platform/database/saves.ts';
import { KeptTables, OWN } from '../../platform/database/kept-tables.ts';
import { together } from '../../platform/database/together.ts';
import { readBy } from '../../platform/database/read-many.ts';
import { HoldSetting } from './hold-setting.entity.ts';

/** What an editor says of a setting. */
export type HoldSettingContent = Pick<
  HoldSetting,
  'kind' | 'aim' | 'effort' | 'ceiling' | 'target' | 'pinHeight'
>;

/** How kinds of hold are prescribed to a lifter; one setting a kind. */
@Injectable()
export class HoldSettingsService implements OnModuleInit {
  constructor(
    private readonly db: DataSource,
    private readonly kept: KeptTables,
  ) {}

  onModuleInit(): void {
    this.kept.register({ name: 'hold_setting', ...OWN });
  }

  /** The lifter's settings, by kind. */
  async of(lifterId: string): Promise<Map<HoldKindId, HoldSetting>> {
    return new Map((await this.rowsOf([lifterId])).map((row) => [row.kind, row]));
  }
  private readonly rowsOf = together(
    (lifterIds) => readBy(this.db, HoldSetting, { lifterId: lifterIds }),
    (row) => row.lifterId,
  );

  /** Writes a lifter's setting of a kind, new or at the version its editor saw. */
  async save(clubId: string, lifterId: string, seen: number, content: HoldSettingContent): Promise<void> {
    await saveVersion(this.db.manager, HoldSetting, {
      ...{ id: settingId(lifterId, content.kind), owner: { clubId, lifterId }, seen, content },
      ...{ fresh: {}, what: 'setting' },
    });
  }
}

/** There is one setting a lifter and kind, so that its id is made of both: two first writes meet in one row. */
function settingId(lifterId: string, kind: HoldKindId): string {
  const hex = createHash('sha256').update(`${lifterId} ${kind}`).digest('hex');
  return [
    hex.slice(0, 8),
    hex.slice(8, 12),
    `4${hex.slice(13, 16)}`,
    `8${hex.slice(17, 20)}`,
    hex.slice(20, 32),
  ].join('-');
}
