package dev.deftchisel.workspace.surroundings;

import dev.deftchisel.workspace.WorkspaceException;
import java.nio.file.Path;
import java.util.Optional;
import org.ec4j.core.ResourceProperties;
import org.ec4j.core.model.PropertyType;
import org.ec4j.core.model.PropertyType.EndOfLineValue;
import org.ec4j.core.model.PropertyType.IndentStyleValue;

/**
 * How a file is to be laid out by the {@code .editorconfig} files of its folder and those above it (EditorConfig 0.17).
 *
 * @param unit    what one level of indentation adds
 * @param lineEnd what ends a line
 */
public record EditorStyle(Optional<String> unit, Optional<String> lineEnd) {

    private static final int STANDARD_SIZE = 4;
    private static final int WIDEST = 16;

    /**
     * What is said of a file, which need not be there yet. The disk is read anew at each call.
     *
     * @param file absolute
     * @param root of the workspace; nothing above it is read
     * @throws WorkspaceException when one of these files cannot be read
     */
    public static EditorStyle of(Path file, Path root) {
        ResourceProperties said = new EditorProperties(root).query(file);
        Optional<EndOfLineValue> end = Optional.ofNullable(said.getValue(PropertyType.end_of_line, null, false));
        return new EditorStyle(unit(said), end.map(EndOfLineValue::getEndOfLineString));
    }

    private static Optional<String> unit(ResourceProperties said) {
        Optional<IndentStyleValue> style = Optional.ofNullable(said.getValue(PropertyType.indent_style, null, false));
        Optional<Integer> size = Optional.ofNullable(said.getValue(PropertyType.indent_size, null, false))
                .filter(one -> one > 0 && one <= WIDEST);
        if (style.filter(IndentStyleValue.tab::equals).isPresent()) {
            return Optional.of("\t");
        }
        return style.isPresent() || size.isPresent() ? Optional.of(" ".repeat(size.orElse(STANDARD_SIZE)))
                : Optional.empty();
    }
}
