/// What becomes of what goes through the leads of a show, and by which leads two machines can be
/// joined.
///
/// It knows connectors, levels, impedances and channels; it does not know who listens.
package rivulus.leads;
