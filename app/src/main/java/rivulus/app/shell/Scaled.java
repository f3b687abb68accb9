package rivulus.app.shell;

import javafx.beans.value.ObservableDoubleValue;
import javafx.scene.layout.Region;
import javafx.scene.transform.Scale;

/// Shows its content larger or smaller, all of it alike, and gives it as much room as it then has.
final class Scaled extends Region {
    private final Region content;
    private final Scale scale = new Scale();

    Scaled(Region content, ObservableDoubleValue factor) {
        this.content = content;
        content.setManaged(false);
        content.getTransforms().add(scale);
        getChildren().add(content);
        scale.xProperty().bind(factor);
        scale.yProperty().bind(factor);
        factor.addListener((_, _, _) -> requestLayout());
    }

    @Override
    protected void layoutChildren() {
        content.resizeRelocate(0, 0, getWidth() / scale.getX(), getHeight() / scale.getY());
    }
}
