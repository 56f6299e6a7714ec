/**
 * Names what the computation is built from, so that nothing that another version computed passes as this one's: a hash of core's
 * source, put in while the application is built.
 */
// eslint-disable-next-line no-restricted-globals -- no environment is read: the build puts words in its place
export const CORE_VERSION: string = process.env.CORE_VERSION ?? 'not built';
