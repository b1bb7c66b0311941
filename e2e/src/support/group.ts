/** Whether this is a group of test files, which hand a browser and a loaded server on from one to the next; by itself a file ends its own. */
export const isGroup = process.env.YASTIK_TEST_GROUPS !== undefined
