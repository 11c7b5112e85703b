import { Problem } from '../../platform/http/problem.ts';
import { checkStrength } from './password-strength.ts';

const ABOUT = ['Ada Quill', 'ada@slag.example', 'Slag Lane Barbell'];
const fault = async (password: string, field?: string): Promise<string | undefined> => {
  try {
    await checkStrength(password, ABOUT, field);
    return undefined;
  } catch (error) {
    expect(error).toBeInstanceOf(Problem);
    expect((error as Problem).fields![0]!.path).toBe(field ?? 'password');
    return (error as Problem).message;
  }
};

it.each(['kiln tether oval prow', 'plough-marmalade-7-axle', 'zQ8$kk2!vRt09'])('takes %s', async (password) =>
  expect(await fault(password)).toBeUndefined(),
);

it.each(['aaaaaaaaaaaa', 'password123', 'qwertyuiop', '1234567890', 'abcdefghijkl'])(
  'refuses %s',
  async (password) => expect(await fault(password)).toMatch(/^This password is soon guessed\./),
);

it.each(['adaquill99', 'SlagLaneBarbell', 'ada@slag.example', 'quill-ada-2026'])(
  'refuses %s, of which name, address and club are most',
  async (password) => expect(await fault(password, 'owner.password')).toMatch(/name, address or club/),
);
