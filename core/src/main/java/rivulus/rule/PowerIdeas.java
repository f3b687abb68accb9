package rivulus.rule;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import rivulus.check.Finding;
import rivulus.disk.Extras;
import rivulus.gear.GearKind;
import rivulus.gear.Port;
import rivulus.gear.Power;
import rivulus.gear.Template;
import rivulus.leads.End;
import rivulus.leads.Joiner;
import rivulus.leads.LeadReport;
import rivulus.leads.Survey;
import rivulus.power.Feeding;
import rivulus.show.Cable;
import rivulus.show.Device;
import rivulus.show.Ref;
import rivulus.show.Show;

/// Ideas about what feeds whom: other supplies, packs, hubs, outlets.
final class PowerIdeas {
    private final Workshop workshop;
    private final Survey survey;
    private final Show show;
    private final Boxes boxes;

    PowerIdeas(Workshop workshop) {
        this.workshop = workshop;
        survey = workshop.survey();
        show = workshop.survey().show();
        boxes = workshop.boxes();
    }

    /// Other ways to feed something: whatever else it can run on, then a battery pack.
    List<Idea> fed(Device device) {
        List<Idea> fixes = new ArrayList<>();
        List<Power.Source> kinds = survey.template(device).power().from();
        for (Power.Source kind : kinds) {
            if (kind == survey.runsOn(device)) continue;
            if (kind == Power.Source.USB && !Feeding.isOnUsb(survey, device)) continue;
            fixes.add(
                    workshop.fix(
                            "Run %s from %s.".formatted(device.name(), kind.words()),
                            device.poweredBy(kind)));
        }
        if (kinds.contains(Power.Source.USB)) packed(device).ifPresent(fixes::add);
        return fixes;
    }

    private Optional<Idea> packed(Device device) {
        Optional<Template> kind = boxes.pack();
        if (kind.isEmpty()) return Optional.empty();
        Device pack = boxes.added(kind.get(), device.place());
        List<Device> devices = new ArrayList<>(show.rig().devices());
        devices.add(pack);
        Show with =
                show.withRig(
                        show.rig()
                                .with(devices, show.rig().cables())
                                .with(device.poweredBy(Power.Source.USB)));
        return workshop.joined(with, pack, device.poweredBy(Power.Source.USB))
                .map(
                        way ->
                                workshop.idea(
                                        "Feed %s from a battery pack, by %s."
                                                .formatted(device.name(), way.needs()),
                                        List.of(),
                                        way.after()));
    }

    /// What hangs on an overdrawn port fed otherwise, or by a hub with a supply of its own.
    List<Idea> relieved(Finding finding) {
        Optional<Device> found = workshop.device(finding);
        if (found.isEmpty()) return List.of();
        Device host = found.get();
        Ref port = new Ref(host.id(), finding.gear().getLast());
        List<Idea> fixes = new ArrayList<>();
        for (LeadReport lead : survey.leadsIn(port)) {
            End fed = Survey.far(lead, port);
            if (survey.template(fed.device()).power().from().contains(Power.Source.MAINS))
                fixes.add(
                        workshop.fix(
                                "Run %s from the mains.".formatted(fed.device().name()),
                                fed.device().poweredBy(Power.Source.MAINS)));
            hubbed(survey.end(port), lead, fed, 1, lead.cable().metres()).ifPresent(fixes::add);
        }
        return fixes;
    }

    /// A powered hub between a port and what is on it.
    ///
    /// @param above metres of the lead to the hub
    /// @param below metres of the lead from it
    Optional<Idea> hubbed(End host, LeadReport lead, End fed, double above, double below) {
        Optional<Template> kind = boxes.hub();
        if (kind.isEmpty() || isHub(host.device()) || isHub(fed.device())) return Optional.empty();
        Optional<Port> up = Boxes.usbPort(kind.get(), false);
        Optional<Port> down = Boxes.usbPort(kind.get(), true);
        if (up.isEmpty() || down.isEmpty()) return Optional.empty();
        Device hub = boxes.added(kind.get(), host.device().place());
        List<Device> devices = new ArrayList<>(show.rig().devices());
        devices.add(hub);
        List<Cable> cables = new ArrayList<>(show.rig().without(lead.cable()).cables());
        cables.add(bought(0, host.ref(), new Ref(hub.id(), up.get().id()), above));
        cables.add(bought(1, new Ref(hub.id(), down.get().id()), fed.ref(), below));
        return Optional.of(
                workshop.idea(
                        "Put a powered hub between %s and %s."
                                .formatted(host.device().name(), fed.device().name()),
                        List.of(),
                        show.withRig(show.rig().with(devices, cables))));
    }

    /// What one hub cannot give another behind it cannot either.
    private boolean isHub(Device device) {
        return survey.template(device).kind() == GearKind.HUB;
    }

    private Cable bought(int nth, Ref from, Ref to, double metres) {
        return new Cable(
                Joiner.freeCable(show, nth), from, to, metres, true, Optional.empty(), Extras.NONE);
    }

    /// The strip itself, or what hangs on it, into the wall.
    List<Idea> unloaded(Device strip) {
        List<Idea> fixes = new ArrayList<>();
        if (!strip.outlet().isEmpty())
            fixes.add(
                    workshop.fix(
                            "Plug %s into the wall.".formatted(strip.name()),
                            strip.pluggedInto("")));
        for (Device device : show.rig().devices())
            if (device.outlet().equals(strip.id()))
                fixes.add(
                        workshop.fix(
                                "Plug %s into an outlet of another circuit."
                                        .formatted(device.name()),
                                device.pluggedInto("")));
        return fixes;
    }
}
