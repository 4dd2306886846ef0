import type { Role } from './access';
import type { RouteName } from './routes';

/** Asked before anybody has signed in. */
const ANYBODY: ReadonlySet<RouteName> = new Set(['health', 'access', 'signIn', 'signOut']);

/** What guests may do beside looking: fold and tick. */
const GUESTS: ReadonlySet<RouteName> = new Set([
  ...['papers', 'paperMonths', 'cuttingPlans', 'cuttingPlan', 'things', 'hands', 'eyeTries', 'jobs', 'job', 'log'],
  ...['recent', 'settings', 'placesToOpen', 'changes', 'openApi'],
  ...['addProgress', 'takeSeats', 'booklet', 'creasePages', 'labels', 'addEyeTry', 'addRecent'],
  ...['learned', 'trials', 'addTrial', 'photographs', 'photograph'],
] as RouteName[]);

/** Whether somebody may ask a route; null is who has not signed in. */
export function may(role: Role | null, route: RouteName): boolean {
  if (ANYBODY.has(route) || role === 'owner') return true;
  return role === 'guest' && GUESTS.has(route);
}
