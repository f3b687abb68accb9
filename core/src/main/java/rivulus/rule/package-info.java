/// What can be wrong, each a [rivulus.rule.Rule] of its own: how it is found, and ideas against it.
///
/// [rivulus.rule.Rules] lists them all; [rivulus.rule.Workshop] holds the tools that ideas are made
/// with. Whether an idea is any good is tried in `rivulus.remedy`.
package rivulus.rule;
