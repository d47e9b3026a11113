package idlelens.web.wire;

import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.Part;
import java.io.File;
import java.io.IOException;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import org.apache.catalina.core.ApplicationPart;
import org.apache.tomcat.util.http.fileupload.FileItem;
import org.apache.tomcat.util.http.fileupload.FileUpload;
import org.apache.tomcat.util.http.fileupload.FileUploadException;
import org.apache.tomcat.util.http.fileupload.InvalidFileNameException;
import org.apache.tomcat.util.http.fileupload.disk.DiskFileItemFactory;
import org.apache.tomcat.util.http.fileupload.servlet.ServletRequestContext;

/** Files and fields of a multipart body, by the server's own reader. */
final class FormParts {
  private static final int MOST_PARTS = 40;
  private static final int MOST_HEAD_BYTES = 2048;
  private static final File FOLDER = new File(System.getProperty("java.io.tmpdir"));

  private FormParts() {}

  static boolean isMultipart(String contentType) {
    return contentType != null
        && contentType.toLowerCase(Locale.ROOT).startsWith("multipart/form-data");
  }

  static List<Part> of(HttpServletRequest request, long length)
      throws IOException, ServletException {
    DiskFileItemFactory factory = new DiskFileItemFactory();
    factory.setRepository(FOLDER);
    factory.setSizeThreshold(Spool.MOST_IN_MEMORY);
    FileUpload upload = new FileUpload();
    upload.setFileItemFactory(factory);
    upload.setFileCountMax(MOST_PARTS);
    upload.setPartHeaderSizeMax(MOST_HEAD_BYTES);
    upload.setSizeMax(length);
    try {
      List<Part> parts = new ArrayList<>();
      for (FileItem item : upload.parseRequest(new ServletRequestContext(request))) {
        parts.add(new ApplicationPart(item, FOLDER));
      }
      return parts;
    } catch (FileUploadException | InvalidFileNameException e) {
      throw new ServletException("The form cannot be read: " + e.getMessage(), e);
    }
  }
}
