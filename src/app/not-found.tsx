import { NoSuchPage } from "@/features/shell/NoSuchPage";

export default function NotFound() {
  return <NoSuchPage />;
}
