/** Where the application is shown: the path that the page's base says, without a slash at its end. */
export const basePath = new URL(document.baseURI).pathname.replace(/\/$/, '');

/** An address of the server, wherever it is shown. */
export const addressOf = (path: string) => basePath + path;
