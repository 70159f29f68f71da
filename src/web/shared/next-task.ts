/** Lets the browser draw and answer keys before more is done: large models are taken up in tasks that nobody feels. */
export const nextTask = (): Promise<void> => new Promise((resolve) => setTimeout(resolve))
