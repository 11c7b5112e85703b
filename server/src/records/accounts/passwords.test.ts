import { checkPassword, hashPassword } from './passwords.ts';

describe('passwords', () => {
  it('are kept as Argon2id with a salt of their own', async () => {
    const [one, other] = [await hashPassword('rope'), await hashPassword('rope')];
    expect(one).toMatch(/^\$argon2id\$v=19\$m=19456,t=2,p=1\$/);
    expect(one).not.toBe(other);
  });

  it('are checked, and an unknown account never passes', async () => {
    const stored = await hashPassword('rope');
    expect(await checkPassword(stored, 'rope')).toBe(true);
    expect(await checkPassword(stored, 'Rope')).toBe(false);
    expect(await checkPassword(undefined, 'rope')).toBe(false);
    expect(await checkPassword(undefined, 'nobody has this password')).toBe(false);
  });
});
