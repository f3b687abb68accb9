/// Answers written down for other programs and for people at a terminal: hearing tables, findings,
/// ways. The JSON forms are a contract; docs/outputs.md describes them.
package rivulus.report;
