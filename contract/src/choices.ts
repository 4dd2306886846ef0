import { EASES, type EaseId, type HandId, HANDS, RULERS, type RulerId, SCHOOLS } from '@odd-corner/core';
import * as z from 'zod';

export const ease = z.enum(Object.keys(EASES) as [EaseId, ...EaseId[]]);
export const ruler = z.enum(Object.keys(RULERS) as [RulerId, ...RulerId[]]);
export const hand = z.enum(Object.keys(HANDS) as [HandId, ...HandId[]]);
export const school = z.enum(SCHOOLS);
