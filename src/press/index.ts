/** Press: booklet pages as PDF and HTML. Above the core, since it uses a document library; below everything else. */
export * from './pdf'
export * from './html'
export * from './paint'
