import { eq } from 'drizzle-orm';
import type { Profile } from '../../domain/schemas';
import type { Db } from '../db/connection';
import { settings } from '../db/schema';

const PROFILE = 'profile';
const NOBODY: Profile = { name: '', college: '', number: '' };

/** The only SQL about the student's own particulars. */
export function settingsRepository(db: Db) {
  return {
    profile(): Profile {
      const row = db.select().from(settings).where(eq(settings.key, PROFILE)).get();
      return row ? { ...NOBODY, ...(JSON.parse(row.value) as Partial<Profile>) } : NOBODY;
    },
    setProfile(profile: Profile): void {
      const value = JSON.stringify(profile);
      db.insert(settings)
        .values({ key: PROFILE, value })
        .onConflictDoUpdate({ target: settings.key, set: { value } })
        .run();
    },
  };
}

export type SettingsRepository = ReturnType<typeof settingsRepository>;
