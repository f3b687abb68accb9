package rivulus.show;

/// A lead between two ports. A headset or network lead carries sound both ways.
public record Cable(String id, Ref from, Ref to, Extras extras) {}
