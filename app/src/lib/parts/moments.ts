/** A moment as people say it on the day: 14:02, yesterday, Sunday, 20 Nov. Times are the reader's own. */
export function sayWhen(moment: Date, now = new Date()): string {
  const day = (d: Date) => new Date(d.getFullYear(), d.getMonth(), d.getDate()).getTime();
  const days = Math.round((day(now) - day(moment)) / 86_400_000);
  if (days <= 0) return sayTime(moment);
  if (days === 1) return 'yesterday';
  if (days < 7) return moment.toLocaleDateString('en-GB', { weekday: 'long' });
  const year = moment.getFullYear() === now.getFullYear() ? undefined : 'numeric';
  return moment.toLocaleDateString('en-GB', { day: 'numeric', month: 'short', year });
}

/** The time of day: 14:02. */
export function sayTime(moment: Date): string {
  return moment.toLocaleTimeString('en-GB', { hour: '2-digit', minute: '2-digit' });
}
