/// Whole plans for a show, side by side.
package rivulus.app.plan;
