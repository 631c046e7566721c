import { Button, Upload } from 'antd';

export interface FilePickProps {
  /** What file it is, and what it is read as. */
  readonly label: string;
  /** Endings and types, as a browser takes them. */
  readonly accept: string;
  readonly onFile: (file: File) => void;
  readonly words?: string;
}

/** A file from this computer: chosen, or dropped on it. It is read here and isn't sent anywhere by this. */
const DroppedFile = ({ label, accept, onFile, words = 'Choose a file …' }: FilePickProps) => (
  <Upload.Dragger
    className="file-pick"
    accept={accept}
    multiple={false}
    showUploadList={false}
    hasControlInside
    aria-label={label}
    beforeUpload={(file) => {
      onFile(file);
      return false;
    }}
  >
    <span>
      {label} <Button size="small">{words}</Button> <span className="soft small">or drop it here</span>
    </span>
  </Upload.Dragger>
);

export default DroppedFile;
