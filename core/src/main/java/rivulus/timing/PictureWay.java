package rivulus.timing;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import rivulus.computer.Picked;
import rivulus.gear.Delay;
import rivulus.gear.Endpoint;
import rivulus.gear.PictureRoute;
import rivulus.gear.Port;
import rivulus.leads.End;
import rivulus.leads.LeadReport;
import rivulus.leads.Survey;
import rivulus.show.Device;
import rivulus.show.Ref;

/// How picture goes from where it begins to where it goes out to the public.
///
/// @param source the camera or player
/// @param program the program that sends it out
/// @param delay all of it
/// @param stations the names of the gear it passes
public record PictureWay(Device source, Device program, Delay delay, List<String> stations) {
    public PictureWay {
        stations = List.copyOf(stations);
    }

    /// Every way of picture in a rig.
    public static List<PictureWay> all(Survey survey) {
        List<PictureWay> all = new ArrayList<>();
        for (Device device : survey.devices())
            for (PictureRoute route : survey.template(device).pictures())
                if (route.from().equals(PictureRoute.LENS))
                    new Walk(survey, device, all)
                            .on(device, route.to(), route.delay(), List.of(device.name()));
        return all;
    }

    /// A walk from one source.
    private static final class Walk {
        private final Survey survey;
        private final Device source;
        private final List<PictureWay> found;
        private final Set<String> seen = new HashSet<>();

        Walk(Survey survey, Device source, List<PictureWay> found) {
            this.survey = survey;
            this.source = source;
            this.found = found;
        }

        /// Picture has come to a port, an endpoint or the air of a device.
        void on(Device device, String at, Delay delay, List<String> stations) {
            if (!seen.add(device.id() + "/" + at)) return;
            if (at.equals(PictureRoute.AIR)) {
                found.add(new PictureWay(source, device, delay, stations));
                return;
            }
            for (Endpoint endpoint : survey.template(device).endpoints())
                if (endpoint.id().equals(at)) picked(device, endpoint, delay, stations);
            survey.template(device)
                    .port(at)
                    .ifPresent(port -> along(device, port, delay, stations));
        }

        private void along(Device device, Port port, Delay delay, List<String> stations) {
            Ref ref = new Ref(device.id(), port.id());
            for (LeadReport lead : survey.leadsIn(ref)) {
                End far = Survey.far(lead, ref);
                through(far.device(), far.port().id(), delay, stations);
            }
        }

        private void picked(Device gear, Endpoint endpoint, Delay delay, List<String> stations) {
            for (Device program : survey.devices())
                for (Picked picked : Picked.of(survey, program)) {
                    boolean here =
                            picked.gear().filter(g -> g.id().equals(gear.id())).isPresent()
                                    && picked.endpoint().filter(endpoint::equals).isPresent();
                    if (here) through(program, picked.picker().id(), delay, stations);
                }
        }

        private void through(Device device, String from, Delay delay, List<String> stations) {
            for (PictureRoute route : survey.template(device).pictures()) {
                if (!route.from().equals(from)) continue;
                List<String> on = new ArrayList<>(stations);
                on.add(device.name());
                on(device, route.to(), delay.plus(route.delay()), on);
            }
        }
    }
}
