package rivulus.app.rig;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import rivulus.app.session.Picture;
import rivulus.chart.DeskSheet;
import rivulus.chart.KnobSheet;
import rivulus.check.Failure;
import rivulus.form.Form;
import rivulus.form.Forms;
import rivulus.gear.Catalogue;
import rivulus.leads.LeadReport;
import rivulus.rig.RigEdits;
import rivulus.show.Device;

/// The chosen device drawn up.
///
/// @param failure who loses whom when it fails
/// @param form the device as a form
/// @param desk how it lies under the hand; empty where it has no channels or they are not looked
///     at
/// @param leads its leads as forms, by their ids
/// @param lost what would be lost if it were replaced by what is chosen for that
record DeviceSight(
        Picture picture,
        KnobSheet sheet,
        Failure failure,
        Form form,
        Optional<Desk> desk,
        Map<String, Form> leads,
        List<String> lost) {
    /// A desk under the hand.
    ///
    /// @param laid where its faders sit, as a form; empty where each is where it is
    /// @param strips what is written on its channels, as a form
    /// @param pads its cue pads, as a form
    record Desk(DeskSheet sheet, Optional<Form> laid, Optional<Form> strips, Optional<Form> pads) {}

    /// The device that is chosen; empty where none is.
    ///
    /// @param instead the id of the template to replace it by, or empty
    /// @param channels whether its channels are looked at
    static Optional<DeviceSight> of(
            Picture picture, String instead, boolean channels, Catalogue catalogue) {
        Optional<Device> device = picture.show().rig().device(picture.device());
        Optional<KnobSheet> sheet =
                KnobSheet.of(picture.scene(), picture.device(), picture.ear(), catalogue);
        if (device.isEmpty() || sheet.isEmpty()) return Optional.empty();
        Forms forms = new Forms(picture.show(), catalogue);
        Map<String, Form> leads = new LinkedHashMap<>();
        for (LeadReport lead : picture.proof().survey().leadsOf(device.get()))
            forms.form("lead/" + lead.cable().id())
                    .ifPresent(form -> leads.put(lead.cable().id(), form));
        return Optional.of(
                new DeviceSight(
                        picture,
                        sheet.get(),
                        Failure.of(picture.scene(), device.get()),
                        forms.form("device/" + device.get().id()).orElseThrow(),
                        channels ? desk(picture, device.get(), catalogue) : Optional.empty(),
                        leads,
                        instead.isEmpty()
                                ? List.of()
                                : new RigEdits(picture.show(), catalogue)
                                        .replace(device.get(), instead)
                                        .losses()));
    }

    private static Optional<Desk> desk(Picture picture, Device device, Catalogue catalogue) {
        Forms forms = new Forms(picture.show(), catalogue);
        return DeskSheet.of(picture.scene(), device, catalogue)
                .map(
                        sheet ->
                                new Desk(
                                        sheet,
                                        forms.form("desk/" + device.id()),
                                        forms.form("strips/" + device.id()),
                                        forms.form("pads/" + device.id())));
    }
}
