const OWN = /^\/pictures\/([0-9a-f]{8}(?:-[0-9a-f]{4}){3}-[0-9a-f]{12})$/;

/** The address of a picture by its id; a page names it so. */
export const pictureAddress = (id: string): string => `/pictures/${id}`;

/** The id of a picture that is here; null for one elsewhere. */
export const pictureId = (address: string): string | null => OWN.exec(address)?.[1] ?? null;
