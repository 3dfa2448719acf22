package dev.deftchisel.maven.probe;

import java.io.File;
import java.io.FileOutputStream;
import java.io.OutputStream;
import java.util.List;
import javax.inject.Named;
import javax.inject.Singleton;
import org.apache.maven.eventspy.AbstractEventSpy;
import org.apache.maven.execution.ExecutionEvent;
import org.apache.maven.model.Model;
import org.apache.maven.model.io.xpp3.MavenXpp3Writer;
import org.apache.maven.project.MavenProject;

/**
 * Writes the effective model of each project of a build when it is done with, after plug-ins have added their folders.
 * What a model has no words for is said by properties of it.
 */
@Named
@Singleton
public final class ProjectProbe extends AbstractEventSpy {

    /** The system property that names the folder to write into. */
    public static final String ANSWER = "dev.deftchisel.answer";
    /** The property of a model that names its file. */
    public static final String POM = "dev.deftchisel.pom";
    /** The property of a model with the folders of main code, as a path of the platform. */
    public static final String SOURCES = "dev.deftchisel.sources";
    /** The same for test code. */
    public static final String TESTS = "dev.deftchisel.tests";

    @Override
    public void onEvent(Object event) throws Exception {
        if (event instanceof ExecutionEvent) {
            ExecutionEvent happened = (ExecutionEvent) event;
            ExecutionEvent.Type type = happened.getType();
            if (type == ExecutionEvent.Type.ProjectSucceeded || type == ExecutionEvent.Type.ProjectFailed) {
                write(happened.getProject(), happened.getSession().getProjects().indexOf(happened.getProject()));
            }
        }
    }

    private static void write(MavenProject project, int index) throws Exception {
        String folder = System.getProperty(ANSWER);
        if (folder == null || project.getFile() == null) {
            return;
        }
        Model model = project.getModel().clone();
        model.addProperty(POM, project.getFile().getAbsolutePath());
        model.addProperty(SOURCES, path(project.getCompileSourceRoots()));
        model.addProperty(TESTS, path(project.getTestCompileSourceRoots()));
        try (OutputStream out = new FileOutputStream(new File(folder, String.format("%04d.xml", index)))) {
            new MavenXpp3Writer().write(out, model);
        }
    }

    private static String path(List<String> roots) {
        return String.join(File.pathSeparator, roots);
    }
}
