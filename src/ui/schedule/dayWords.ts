/** A day as it is read: `Sat 20 Jun`. */
export const dayWords = (on: string): string =>
  new Date(`${on}T00:00:00`).toLocaleDateString('en-GB', {
    weekday: 'short',
    day: 'numeric',
    month: 'short',
  });
