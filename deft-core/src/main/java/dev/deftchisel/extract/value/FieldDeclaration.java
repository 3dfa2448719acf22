package dev.deftchisel.extract.value;

import com.sun.source.tree.Tree;
import com.sun.source.tree.VariableTree;
import com.sun.source.util.TreePath;
import dev.deftchisel.analysis.code.AttributedFile;
import dev.deftchisel.change.Edit;
import dev.deftchisel.member.TypeBody;
import dev.deftchisel.rewrite.Layout;
import dev.deftchisel.rewrite.NewCode;
import dev.deftchisel.source.Range;
import dev.deftchisel.source.Tokens;
import java.util.Optional;
import java.util.Set;
import javax.lang.model.element.Element;
import javax.lang.model.element.ElementKind;
import javax.lang.model.element.Modifier;

/** Writes the declaration of a new field or constant where the class has such. */
final class FieldDeclaration {

    private final AttributedFile code;
    private final TreePath owner;
    private final Layout layout;
    private final String indent;
    private final TypeBody body;
    private final String head;
    private final Optional<Range> value;
    private final String name;

    /**
     * @param owner the class
     * @param head  modifiers and type
     * @param value of the field; empty when it gets none there
     */
    FieldDeclaration(AttributedFile code, TreePath owner, String head, String name, Optional<Range> value) {
        this.code = code;
        this.owner = owner;
        this.layout = Layout.of(code.file());
        this.indent = Layout.indentOf(code.file(), code.range(owner.getLeaf()).start()) + layout.unit();
        this.body = new TypeBody(code, owner);
        this.head = head;
        this.value = value;
        this.name = name;
    }

    /**
     * After the constants at the start of the class, but before the one in which the value stands.
     *
     * @param latest where code begins that may read it already
     */
    Edit behindConstants(Range value, int latest) {
        return behind(body.lastAtStart(member -> isConstant(member) && !code.range(member).encloses(value)
                && code.range(member).start() < latest));
    }

    /** After the fields before the first method. */
    Edit behindFields() {
        return behind(body.lastAtStart(member -> member instanceof VariableTree));
    }

    private Edit behind(Optional<Tree> last) {
        NewCode text = new NewCode(code.file()).write((isApart(last) ? layout.lineEnd() : "") + layout.lineEnd()
                + indent
                + head + " ").name(name);
        value.ifPresent(range -> text.write(" = ").carry(range, Layout.indentOf(code.file(), range.start()), indent));
        text.write(";");
        if (last.isPresent()) {
            return text.at(Layout.after(code.file(), end(last.get())));
        }
        int opening = body.opening();
        boolean isField = body.members().stream().limit(1).anyMatch(member -> member instanceof VariableTree);
        boolean isApart = code.file().content().substring(opening).lines().skip(1).findFirst().filter(String::isBlank)
                .isPresent();
        return text.write(isField || isApart ? "" : layout.lineEnd()).at(opening);
    }

    /**
     * Whether a blank line keeps the field from what is before it: the constants of an enum, or constants when it is
     * none.
     */
    private boolean isApart(Optional<Tree> last) {
        Optional<Element> element = last.flatMap(member -> code.element(new TreePath(owner, member)));
        return element.filter(member -> member.getKind() == ElementKind.ENUM_CONSTANT
                || member.getModifiers().contains(Modifier.STATIC) && !head.contains("static ")).isPresent();
    }

    /** An enum constant ends before its comma or semicolon. */
    private int end(Tree member) {
        Tokens tokens = code.tokens();
        int next = tokens.code(tokens.at(code.range(member).end() - 1) + 1);
        boolean isList = next < tokens.count() && tokens.is(next, ';') && !code.text(member).endsWith(";");
        return isList ? tokens.end(next) : code.range(member).end();
    }

    private boolean isConstant(Tree member) {
        return member instanceof VariableTree && code.element(new TreePath(owner, member))
                .filter(element -> element.getModifiers().containsAll(Set.of(Modifier.STATIC, Modifier.FINAL))
                        || element.getKind() == ElementKind.ENUM_CONSTANT).isPresent();
    }
}
