package rivulus.gear;

/// What leads are plugged into.
///
/// @param body what must fit mechanically: every 3.5 mm plug goes into every 3.5 mm socket
/// @param contacts how many contacts one plug has
/// @param pins whether outputs are pins and inputs sockets, as with XLR; else both ends are sockets
/// @param carriesPower whether it carries supply: 5 V, or the voltage of a loudspeaker output
public record Connector(
        String name, String body, int contacts, boolean pins, boolean carriesPower) {
    /// Male or female, for a port of this connector.
    public String gender(Port port) {
        boolean male = port.plug() || pins && port.gives() > 0;
        return male ? "male" : "female";
    }

    /// "3.5 mm 4-pole, female, 4 contacts".
    public String words(Port port) {
        return "%s, %s, %d contacts".formatted(name, gender(port), contacts);
    }
}
