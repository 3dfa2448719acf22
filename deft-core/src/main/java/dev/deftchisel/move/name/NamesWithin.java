package dev.deftchisel.move.name;

import com.sun.source.tree.ClassTree;
import com.sun.source.util.TreePath;
import dev.deftchisel.analysis.Analysis;
import dev.deftchisel.analysis.code.AttributedFile;
import dev.deftchisel.analysis.symbol.Binding;
import dev.deftchisel.analysis.symbol.Role;
import dev.deftchisel.analysis.symbol.SymbolKey;
import dev.deftchisel.change.Edit;
import dev.deftchisel.member.TypeBody;
import dev.deftchisel.move.moved.Destination;
import dev.deftchisel.move.moved.MovedType;
import dev.deftchisel.move.moved.Moves;
import dev.deftchisel.rewrite.TypeWriter;
import dev.deftchisel.source.Range;
import dev.deftchisel.source.outline.ImportOutline;
import dev.deftchisel.workspace.SourceFile;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Optional;
import javax.lang.model.element.Element;
import javax.lang.model.element.ElementKind;
import javax.lang.model.element.Modifier;
import javax.lang.model.element.TypeElement;

/**
 * Writes the names in the text of a type that moves so that they mean where it goes what they mean where it stands:
 * types with an import, static members of the types around it with their type.
 */
public final class NamesWithin {

    private final Analysis before;
    private final Moves all;
    private final MovedType moved;
    private final Destination destination;
    private final TypeWriter writer;
    private final AttributedFile code;
    private final NamesInFile names;
    private final Map<Range, Edit> edits = new LinkedHashMap<>();

    /** @param writer of types where it goes */
    public NamesWithin(Analysis before, Moves all, MovedType moved, TypeWriter writer) {
        this.before = before;
        this.all = all;
        this.moved = moved;
        this.destination = moved.destination();
        this.writer = writer;
        this.code = moved.code();
        this.names = new NamesInFile(before, moved.file());
    }

    /** The edits of the names, as if they stayed where they are. */
    public Map<Range, Edit> edits() {
        for (Binding name : before.bindings(moved.file().path())) {
            boolean isWithin = moved.holds(name.file(), name.range()) || isWhole() && name.role() != Role.IMPORT;
            if (isWithin && name.isNamed() && name.role() != Role.DECLARATION) {
                write(name);
            }
        }
        return edits;
    }

    private boolean isWhole() {
        return all.isWhole(moved.file().path());
    }

    private void write(Binding name) {
        boolean isText = name.role() == Role.DOC;
        boolean isSimple = names.isSimple(name.range(), isText);
        Optional<Element> element = before.known(name.key()).map(Analysis.KnownElement::element);
        if (isText && !isSimple || element.isEmpty() || all.around(name.key()).isPresent()) {
            return;
        } else if (isText && isMemberReference(name.range())) {
            documented(name, element.get());
        } else if (isSimple && element.get() instanceof TypeElement type && name.key() instanceof SymbolKey.Type) {
            type(name.range(), type, isText);
        } else if (isSimple && !isText) {
            member(name.range(), element.get());
        }
    }

    /** {@code #due(int)}: the member of a type around. */
    private boolean isMemberReference(Range name) {
        return name.start() > 0 && moved.file().content().charAt(name.start() - 1) == '#';
    }

    private void documented(Binding name, Element member) {
        int hash = name.range().start() - 1;
        boolean isBare = hash > 0 && !Character.isJavaIdentifierPart(moved.file().content().charAt(hash - 1));
        if (isBare && !moved.isTopLevel() && member.getEnclosingElement() instanceof TypeElement owner
                && isOfTypeAround(name.range(), owner)) {
            before(new Range(hash, hash), writer.name(owner));
        }
    }

    private void type(Range range, TypeElement type, boolean isText) {
        String canonical = type.getQualifiedName().toString();
        Optional<ImportOutline> imported = names.imported(canonical);
        if (isWhole()) {
            ofOldPackage(range, type, imported.isPresent(), isText);
        } else if (!isInherited(range, type)) {
            String written = imported.isPresent() && type.getEnclosingElement() instanceof TypeElement
                    && isToNewFile() ? imported(canonical, type) : writer.name(type);
            String simple = type.getSimpleName().toString();
            before(new Range(range.start(), range.start()), written.substring(0, written.length() - simple.length()));
        }
    }

    /** A member type that its own import names keeps its simple name. */
    private String imported(String canonical, TypeElement type) {
        writer.importing(canonical);
        return type.getSimpleName().toString();
    }

    private boolean isToNewFile() {
        return destination instanceof Destination.OwnFile;
    }

    /** The file keeps its imports, but not what its package shows. */
    private void ofOldPackage(Range range, TypeElement type, boolean isImported, boolean isText) {
        String home = moved.packageName();
        boolean isOfPackage = type.getEnclosingElement().getKind() == ElementKind.PACKAGE
                && type.getQualifiedName().toString().equals(home.isEmpty() ? type.getSimpleName().toString()
                        : home + "." + type.getSimpleName());
        if (!isOfPackage || isImported || names.importsAll(home) || home.equals(destination.packageName())) {
            return;
        } else if (isText && before.uses(before.key(type)).stream().noneMatch(use -> use.role() == Role.TYPE
                && use.file().equals(moved.file().path()))) {
            before(new Range(range.start(), range.start()), home + ".");
        } else {
            writer.importing(type.getQualifiedName().toString());
        }
    }

    private void member(Range range, Element member) {
        boolean isStatic = (member.getKind().isField() || member.getKind() == ElementKind.METHOD)
                && member.getModifiers().contains(Modifier.STATIC);
        if (!isStatic || isWhole() || isInherited(range, member) || isLabel(range, member)
                || !(member.getEnclosingElement() instanceof TypeElement owner)) {
            return;
        }
        Optional<TypeElement> around = around(owner);
        if (around.isPresent()) {
            before(new Range(range.start(), range.start()), writer.name(around.get()) + ".");
        } else {
            imported(owner, member.getSimpleName().toString()).ifPresent(writer::importingStatic);
        }
    }

    /** How a static import of the file names a member. */
    private Optional<String> imported(TypeElement owner, String name) {
        SourceFile file = moved.file();
        return file.outline().imports().stream().filter(ImportOutline::isStatic)
                .filter(line -> line.isOnDemand() ? isBelow(line.name(), owner)
                        : line.simpleName().equals(name)
                                && isBelow(line.name().substring(0, line.name().lastIndexOf('.')), owner))
                .map(line -> line.isOnDemand() ? line.name() + "." + name : line.name())
                .findFirst();
    }

    private boolean isBelow(String canonicalName, TypeElement owner) {
        return Optional.ofNullable(code.elements().getTypeElement(canonicalName))
                .filter(type -> isKind(type, owner)).isPresent();
    }

    /** The type around the moved one of which something is a member. */
    private Optional<TypeElement> around(TypeElement owner) {
        for (Element at = moved.element().getEnclosingElement(); at instanceof TypeElement type;
                at = at.getEnclosingElement()) {
            if (isKind(type, owner)) {
                return Optional.of(type);
            }
        }
        return Optional.empty();
    }

    private boolean isOfTypeAround(Range range, TypeElement owner) {
        return around(owner).isPresent() && !isKind(moved.element(), owner)
                && before.enclosing(moved.file().path(), range.start()).stream()
                        .filter(type -> moved.holds(type.key())).noneMatch(type -> isKind(type.element(), owner));
    }

    /** Whether something is a member of a type within the moved one, or of what that extends. */
    private boolean isInherited(Range range, Element member) {
        if (!(member.getEnclosingElement() instanceof TypeElement owner)) {
            return false;
        }
        TreePath innermost = code.around(range).stream().findFirst().orElse(null);
        for (TreePath at = innermost; at != null && at.getLeaf() != moved.path().getParentPath().getLeaf();
                at = at.getParentPath()) {
            // in its header, the members of a type are no simple names yet (JLS 6.3)
            boolean isInBody = at.getLeaf() instanceof ClassTree && new TypeBody(code, at).opening() <= range.start();
            if (isInBody && code.element(at).filter(type -> type instanceof TypeElement own && isKind(own, owner))
                    .isPresent()) {
                return true;
            }
        }
        return false;
    }

    private boolean isKind(TypeElement type, TypeElement above) {
        return code.isKind(code.types().erasure(type.asType()), code.types().erasure(above.asType()));
    }

    /** The constants of an enum are labels by their simple names only (JLS 14.11.1). */
    private boolean isLabel(Range range, Element member) {
        return member.getKind() == ElementKind.ENUM_CONSTANT && code.around(range).stream().limit(2)
                .map(TreePath::getParentPath)
                .anyMatch(path -> path != null && (path.getLeaf().getKind().name().equals("CASE")
                        || path.getLeaf().getKind().name().endsWith("CASE_LABEL")));
    }

    private void before(Range place, String prefix) {
        if (!prefix.isEmpty()) {
            edits.put(place, Edit.of(place, prefix, Edit.Kind.QUALIFIER));
        }
    }
}
