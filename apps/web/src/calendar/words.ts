import { printShopTime, readShopTime } from "@dragonet/core";
import { dayText, momentText } from "../base/moment.ts";

/** A moment of the shop's clocks as this browser's own clocks would say it: no zone is changed. */
const asDate = (text: string): Date => new Date(text.length === 10 ? `${text}T12:00` : text);

export const shopMoment = (text: string): string => momentText(asDate(text));
export const shopDay = (text: string): string => dayText(asDate(text));

/** "2 days", "5 h": how much later than promised. */
export function lateText(minutes: number): string {
  const hours = Math.max(1, Math.round(minutes / 60));
  if (hours < 20) return `${hours} h`;
  const days = Math.max(1, Math.round(minutes / 1440));
  return days === 1 ? "1 day" : `${days} days`;
}

/** A moment in minutes; what a plan prints is always one. */
export const minutesOf = (text: string): number => readShopTime(text) ?? 0;
export const textOf = (minutes: number): string => printShopTime(minutes);
