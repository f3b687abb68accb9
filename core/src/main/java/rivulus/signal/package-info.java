/// The signal graph: a show compiled to nodes (one for each channel of a point) and legs (routes,
/// leads, picks of programs, air), and the graph as it is live for one stand of the knobs.
///
/// It answers what is joined to what, at which gain, delay and band. It does not know who wishes
/// what.
package rivulus.signal;
