/// A show said in lines as people write them on paper: what a line means, and what comes of it.
package rivulus.say;
