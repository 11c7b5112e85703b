import { classValidatorResolver } from '@hookform/resolvers/class-validator';
import { SignInRequest } from '@iron-clasp/contract';

/** What the contract says of an address and a password; fetched with the first try, so that the form stands sooner. */
export const checkSignIn = classValidatorResolver(SignInRequest);
