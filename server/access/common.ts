import { dictionary } from '@zxcvbn-ts/language-common';
import { Refusal } from '../http.ts';

let common: Set<string> | null = null;

/**
 * Refuses what is tried first: the commonest passwords, and what is made of the names around.
 * @param names sign-in name, own name, hall
 * @throws Refusal 422
 */
export function refuseCommon(password: string, names: readonly string[]): void {
  common ??= new Set(dictionary['passwords-common']);
  const plain = password.toLowerCase();
  const core = plain.replace(/[^a-z]/g, '');
  const ofNames = names.some((n) => {
    const name = n.toLowerCase().replace(/[^a-z]/g, '');
    return name.length >= 3 && core === name;
  });
  const oneSign = new Set(plain).size < 4;
  if (
    common.has(plain) ||
    (core.length >= 5 && common.has(core) && core.length > plain.length - 5) ||
    ofNames ||
    oneSign
  ) {
    throw new Refusal(422, 'This password is among the first that anybody would try. Nothing was changed.', {
      errors: [{ field: 'password', detail: 'This is among the first that anybody would try.' }],
    });
  }
}
