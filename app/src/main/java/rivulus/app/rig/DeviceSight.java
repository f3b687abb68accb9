package rivulus.app.rig;

import java.util.List;
import java.util.Optional;
import rivulus.app.session.Picture;
import rivulus.chart.KnobSheet;
import rivulus.check.Failure;
import rivulus.gear.Catalogue;
import rivulus.rig.RigEdits;
import rivulus.show.Device;

/// The chosen device drawn up.
///
/// @param failure who loses whom when it fails
/// @param goesAlong what would go with it if it were taken out of the rig
/// @param lost what would be lost if it were replaced by what is chosen for that
record DeviceSight(
        Picture picture,
        KnobSheet sheet,
        Failure failure,
        List<String> goesAlong,
        List<String> lost) {
    /// The device that is chosen; empty where none is.
    ///
    /// @param instead the id of the template to replace it by, or empty
    static Optional<DeviceSight> of(Picture picture, String instead, Catalogue catalogue) {
        Optional<Device> device = picture.show().rig().device(picture.device());
        Optional<KnobSheet> sheet =
                KnobSheet.of(picture.scene(), picture.device(), picture.ear(), catalogue);
        if (device.isEmpty() || sheet.isEmpty()) return Optional.empty();
        RigEdits edits = new RigEdits(picture.show(), catalogue);
        return Optional.of(
                new DeviceSight(
                        picture,
                        sheet.get(),
                        Failure.of(picture.scene(), device.get()),
                        edits.remove(device.get()).losses(),
                        instead.isEmpty()
                                ? List.of()
                                : edits.replace(device.get(), instead).losses()));
    }
}
