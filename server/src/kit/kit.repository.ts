import { Injectable } from '@nestjs/common';
import type { HoldEquipment } from '@iron-clasp/core';
import { DataSource } from 'typeorm';
import { Bar, Plate, Venue } from './kit.entity.ts';

/** A venue with the bar that is used there and what loads it. */
export interface VenueKit {
  readonly venue: Venue;
  readonly bar: Bar;
  readonly equipment: HoldEquipment;
}

@Injectable()
export class KitRepository {
  constructor(private readonly db: DataSource) {}

  async venues(clubId: string): Promise<Venue[]> {
    return this.db.getRepository(Venue).find({ where: { clubId }, order: { name: 'ASC' } });
  }

  /** The venue's kit, or null where the venue is not the club's or has no bar. */
  async kit(clubId: string, venueId: string): Promise<VenueKit | null> {
    const [venue, bar, plates] = await Promise.all([
      this.db.getRepository(Venue).findOneBy({ clubId, id: venueId }),
      this.db.getRepository(Bar).findOne({ where: { venueId }, order: { name: 'ASC' } }),
      this.db.getRepository(Plate).find({ where: { venueId }, order: { mass: 'DESC' } }),
    ]);
    if (!venue || !bar) return null;
    return {
      venue,
      bar,
      equipment: {
        bar: bar.mass,
        collars: bar.collars,
        plates: plates.map(({ mass, unit, pairs }) => ({ mass, unit, pairs })),
      },
    };
  }
}
