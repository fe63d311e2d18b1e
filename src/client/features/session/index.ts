/** What other features may use of this one. */
export { SignOutButton } from './SignOutButton.tsx';
