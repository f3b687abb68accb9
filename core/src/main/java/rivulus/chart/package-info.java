/// The drawings as figures: what is drawn where, worked out from a proof. The interface only paints
/// it.
package rivulus.chart;
