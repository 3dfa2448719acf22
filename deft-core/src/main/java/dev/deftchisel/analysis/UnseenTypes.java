package dev.deftchisel.analysis;

import com.sun.source.tree.IdentifierTree;
import com.sun.source.tree.MemberSelectTree;
import com.sun.source.tree.Tree;
import com.sun.source.util.TreePathScanner;
import dev.deftchisel.analysis.code.AttributedFile;
import dev.deftchisel.analysis.scope.TypeVisibility;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import javax.lang.model.element.Element;
import javax.lang.model.element.ElementKind;
import javax.lang.model.element.NestingKind;
import javax.lang.model.element.TypeElement;

/** Looks for the types in a file that its build does not let it see. */
final class UnseenTypes extends TreePathScanner<Void, Void> {

    private final AttributedFile code;
    private final TypeVisibility visibility;
    private final boolean withMembers;
    private final List<UnseenType> found = new ArrayList<>();
    /** A file names few types, and each of them often. */
    private final Map<TypeElement, Optional<String>> known = new HashMap<>();

    private UnseenTypes(AttributedFile code, TypeVisibility visibility, boolean withMembers) {
        this.code = code;
        this.visibility = visibility;
        this.withMembers = withMembers;
    }

    /** @param withMembers whether members of such types count too, where the type itself is not named */
    static List<UnseenType> of(AttributedFile code, TypeVisibility visibility, boolean withMembers) {
        if (!visibility.isKnown()) {
            return List.of();
        }
        UnseenTypes scanner = new UnseenTypes(code, visibility, withMembers);
        scanner.scan(code.unit(), null);
        return List.copyOf(scanner.found);
    }

    @Override
    public Void visitIdentifier(IdentifierTree name, Void unused) {
        look(name);
        return super.visitIdentifier(name, null);
    }

    @Override
    public Void visitMemberSelect(MemberSelectTree select, Void unused) {
        look(select);
        return super.visitMemberSelect(select, null);
    }

    private void look(Tree name) {
        code.element(getCurrentPath()).flatMap(this::home)
                .flatMap(type -> known.computeIfAbsent(type,
                        asked -> visibility.objection(code.file(), asked.getQualifiedName().toString()))
                        .flatMap(why -> code.find(name)
                                .map(range -> new UnseenType(range, type.getQualifiedName().toString(), why))))
                .ifPresent(found::add);
    }

    /** The outermost type that must be known for a name to mean something. */
    private Optional<TypeElement> home(Element element) {
        boolean isType = element.getKind().isClass() || element.getKind().isInterface();
        boolean isMember = element.getKind().isField() || element.getKind() == ElementKind.METHOD;
        if (!isType && !(withMembers && isMember)) {
            return Optional.empty();
        }
        Element outer = element;
        while (outer != null && !(outer instanceof TypeElement type
                && type.getNestingKind() == NestingKind.TOP_LEVEL)) {
            outer = outer.getEnclosingElement();
        }
        return Optional.ofNullable((TypeElement) outer);
    }
}
