import styled from "styled-components";

const pale = "#b0a48f";

const Card = styled.aside`
  background: white;
  padding: 1rem;
`;

const Small = styled.p`
  color: ${pale};
  font-size: 0.875rem;
`;

export const Notice = () => (
  <Card aria-label="Notice">
    <Small>The crane rests on Sundays.</Small>
  </Card>
);
