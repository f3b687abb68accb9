package rivulus.show;

import rivulus.disk.Worded;

/// What a person does in the show. The brief's defaults go by it.
public enum Role implements Worded {
    HOST,
    GUEST,
    CALLER,
    INTERPRETER,
    PRODUCER,
    AUDIENCE;
}
